'use client';
import { useState } from 'react';
import { X } from 'lucide-react';
import {
  layersOf,
  revealedBy,
  revealersOf,
  revealFault,
  revealSchema,
  revealThrough,
  sameValue,
  setReveal,
  wholeGroup,
  type Reveal,
} from '@/core/document';
import {
  Button,
  Check,
  IconButton,
  notify,
  Segmented,
  Select,
  Group,
  Hint,
  Row,
  Gap,
  Warning,
  Grow,
  TextButton,
} from '@/ui';
import { ValueField } from '../../properties';
import { edit, select, useCalm } from '../../state';

/** What the selection is seen through, and how. */
export function ThroughGroup() {
  const piece = useCalm((s) => s.piece);
  const chosen = useCalm((s) => s.selection.layers);
  const [next, setNext] = useState<string | null>(null);
  // A group where all of it is chosen, else the layers themselves.
  const whole = chosen.length > 1 ? wholeGroup(piece, chosen) : undefined;
  const targets = whole ? [whole] : piece.layers.filter((layer) => chosen.includes(layer.id));
  const [first] = targets;
  if (!first) return null;
  const ids = targets.map(({ id }) => id);
  const reveal = targets.every((one) => sameValue(one.reveal, first.reveal)) ? (first.reveal ?? null) : null;
  const mixed = !reveal && targets.some((one) => one.reveal);
  const put = (to: Reveal | null, merge?: string) => {
    const fault = to && revealFault(piece, ids, to.through);
    if (fault) notify(fault);
    else edit((p) => setReveal(p, ids, to), merge);
  };
  const change = (part: Partial<Reveal>) => reveal && put({ ...reveal, ...part }, 'reveal');
  const through = reveal ? revealersOf(piece, reveal) : [];
  const others = [
    ...piece.groups.map(({ id, name }) => ({ id, name: `${name} (group)` })),
    ...piece.layers.map(({ id, name }) => ({ id, name })),
  ].filter(({ id }) => !ids.includes(id) && !reveal?.through.includes(id));
  const add = others.some(({ id }) => id === next) ? next : (others[0]?.id ?? null);
  const uncovers = targets.flatMap(({ id }) => revealedBy(piece, id));
  const hasParts = targets.every((one) => 'type' in one && one.type !== 'stroke');
  return (
    <Group title="Matte">
      {mixed && <Hint>These have different mattes.</Hint>}
      {reveal && through.length < reveal.through.length && (
        <Warning>
          {through.length === 0
            ? 'Its matte is gone: it is seen as it is.'
            : `${reveal.through.length - through.length} of its mattes are gone.`}
        </Warning>
      )}
      {through.map((one) => (
        <Row key={one.id}>
          <TextButton onClick={() => select({ layers: layersOf(piece, one.id) })}>{one.name}</TextButton>
          <IconButton
            plain
            label={`Remove the matte ${one.name}`}
            onPress={() => {
              const rest = reveal!.through.filter((id) => id !== one.id);
              put(rest.length > 0 ? { ...reveal!, through: rest } : null);
            }}
          >
            <X />
          </IconButton>
        </Row>
      ))}
      {others.length > 0 && (
        <Row>
          <Grow>
            <Select label="Layer or group as matte" value={add} choices={others} onChange={setNext} />
          </Grow>
          <Button
            onPress={() => {
              if (!add) return;
              put(reveal ? { ...reveal, through: [...reveal.through, add] } : revealThrough([add]));
            }}
          >
            {reveal ? 'Add' : 'Use as matte'}
          </Button>
        </Row>
      )}
      {reveal && (
        <>
          <Segmented
            label="Kind of matte"
            value={reveal.by}
            choices={{ shape: 'alpha', brightness: 'luminance' }}
            onChange={(by) => change({ by })}
          />
          <Gap />
          <Check isSelected={reveal.inverted} onChange={(inverted) => change({ inverted })}>
            Inverted
          </Check>
          <Check isSelected={reveal.shown} onChange={(shown) => change({ shown })}>
            The matte is seen too
          </Check>
          {hasParts && (
            <Check isSelected={reveal.confined} onChange={(confined) => change({ confined })}>
              Each letter only by its own strokes
            </Check>
          )}
          <ValueField
            schema={revealSchema}
            value={reveal}
            part="feather"
            onChange={(feather) => change({ feather })}
          />
          <Button $wide onPress={() => put(null)}>
            Remove the matte
          </Button>
        </>
      )}
      {uncovers.length > 0 && <Hint>Uncovers {uncovers.map(({ name }) => `“${name}”`).join(', ')}.</Hint>}
    </Group>
  );
}
