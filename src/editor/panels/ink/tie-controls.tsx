'use client';
import { useState } from 'react';
import { Link2Off } from 'lucide-react';
import {
  changeTies,
  cutTies,
  followersOf,
  strokeById,
  strokesOf,
  tieFault,
  TIED_PROPERTIES,
  tieStrokes,
  type Piece,
  type Stroke,
  type Tie,
  type TiedProperty,
  shared,
} from '@/core/document';
import {
  Button,
  IconButton,
  notify,
  NumberField,
  percent,
  pixels,
  plain,
  Select,
  Hint,
  Row,
  TextButton,
} from '@/ui';
import { editChosen, changeable, edit, select, useCalm } from '../../state';

/** What factor and offset mean, by property. */
const WORDS: Record<TiedProperty, { factor: string; offset: string }> = {
  width: { factor: 'Times', offset: 'Plus' },
  colour: { factor: 'Lightness times', offset: 'Lightness plus' },
  dashes: { factor: 'Pattern times', offset: 'Phase plus' },
  path: { factor: 'Size times', offset: 'Set aside by' },
};

/** Ties strokes so, or says why not. */
export function tie(piece: Piece, ids: readonly string[], to: Tie): void {
  const fault = tieFault(piece, ids, to);
  if (fault) notify(fault);
  else edit((p) => tieStrokes(p, ids, to));
}

function OneTie({ strokes, property }: { strokes: readonly Stroke[]; property: TiedProperty }) {
  const piece = useCalm((s) => s.piece);
  const ties = strokes.map((stroke) => stroke.ties?.find((t) => t.property === property));
  const [first] = ties;
  if (!first || !ties.every((t) => t?.to === first.to)) return null;
  const source = strokeById(piece, first.to);
  const change = (part: { factor: number } | { offset: number }) =>
    editChosen((p, ids) => changeTies(p, ids, property, part), `tie ${property}`);
  return (
    <div>
      <Row>
        <span style={{ color: 'var(--text)' }}>
          {property} follows{' '}
          <TextButton onClick={() => source && select({ layers: [source.id] })}>
            {source ? source.name : 'a stroke that is gone'}
          </TextButton>
        </span>
        <IconButton
          plain
          label={`Remove the tie of the ${property}`}
          onPress={() => editChosen((p, ids) => cutTies(p, ids, property))}
        >
          <Link2Off />
        </IconButton>
      </Row>
      <NumberField
        label={WORDS[property].factor}
        value={shared(ties.map((t) => t!.factor))}
        min={-100}
        max={100}
        step={0.05}
        onChange={(factor) => change({ factor })}
        {...plain}
      />
      <NumberField
        label={WORDS[property].offset}
        value={shared(ties.map((t) => t!.offset))}
        min={-1e5}
        max={1e5}
        step={property === 'colour' ? 0.01 : 1}
        onChange={(offset) => change({ offset })}
        {...(property === 'colour' ? percent : pixels)}
      />
    </div>
  );
}

/** What of the selection follows another stroke, and what follows it. */
export function TieControls({ strokes }: { strokes: readonly Stroke[] }) {
  const piece = useCalm((s) => s.piece);
  const [property, setProperty] = useState<TiedProperty>('width');
  const [to, setTo] = useState<string | null>(null);
  const ids = strokes.map((stroke) => stroke.id);
  const others = strokesOf(piece).filter((stroke) => !ids.includes(stroke.id));
  const chosen = others.some((stroke) => stroke.id === to) ? to : (others.at(-1)?.id ?? null);
  const followers = strokes.length === 1 ? followersOf(piece, strokes[0]!.id) : [];
  return (
    <>
      {TIED_PROPERTIES.map((p) => (
        <OneTie key={p} strokes={strokes} property={p} />
      ))}
      {followers.map(({ stroke, tie: t }) => (
        <Row key={stroke.id + t.property}>
          <span>
            <TextButton onClick={() => select({ layers: [stroke.id] })}>{stroke.name}</TextButton> follows its{' '}
            {t.property}
          </span>
          <IconButton
            plain
            label={`Remove the tie of ${stroke.name}`}
            onPress={() => edit((p) => cutTies(p, [stroke.id], t.property))}
          >
            <Link2Off />
          </IconButton>
        </Row>
      ))}
      {others.length === 0 ? (
        <Hint>A tie needs another stroke to follow.</Hint>
      ) : (
        <>
          <Row>
            <div style={{ width: 92 }}>
              <Select label="Tie its" value={property} choices={TIED_PROPERTIES} onChange={setProperty} />
            </div>
            <span>to</span>
            <div style={{ width: 116 }}>
              <Select label="Stroke to follow" value={chosen} choices={others} onChange={setTo} />
            </div>
          </Row>
          <Button
            $wide
            isDisabled={chosen === null}
            onPress={() => {
              const free = changeable();
              if (chosen && free.length > 0) tie(piece, free, { property, to: chosen, factor: 1, offset: 0 });
            }}
          >
            Tie the {property}
          </Button>
        </>
      )}
    </>
  );
}
