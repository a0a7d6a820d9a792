'use client';
import { useState } from 'react';
import {
  asWholes,
  drawRound,
  knockOut,
  partWithId,
  setFitted,
  strokeById,
  type Fitted,
  type Surround,
} from '@/core/document';
import { Button, Fold, NumberField, Segmented, Select, whole, Buttons, Hint, Warning, Gap } from '@/ui';
import { OwnersOf, PartChoice, PartField } from '../../properties';
import { edit, newId, select, selectedStrokes, useCalm, useEditor } from '../../state';

const WAYS = [
  { id: 'down', name: 'down' },
  { id: 'up', name: 'up' },
  { id: 'right', name: 'right' },
  { id: 'left', name: 'left' },
] as const;
type Way = (typeof WAYS)[number]['id'];

/** Rules, borders and boxes that keep to the size of what they belong to. */
export function FittedGroup() {
  const piece = useCalm((s) => s.piece);
  const selection = useCalm((s) => s.selection);
  const [slices, setSlices] = useState(4);
  const [way, setWay] = useState<Way>('down');
  const [from, setFrom] = useState<'start' | 'middle' | 'end'>('start');
  const [id, ...more] = asWholes(piece, selection.layers);
  const fitted = selectedStrokes({ piece, selection }).filter((stroke) => stroke.fitted);
  if (fitted.length > 0) {
    const ids = fitted.map((stroke) => stroke.id);
    return (
      <OwnersOf ids={ids}>
        <FittedControls ids={ids} fitted={fitted[0]!.fitted!} />
      </OwnersOf>
    );
  }
  const part = id === undefined || more.length > 0 ? undefined : partWithId(piece, id);
  if (!part || !id || strokeById(piece, id)) return null;
  const add = (as: Surround, knocksOut = false) => {
    const frame = Math.round(useEditor.getState().frame);
    const ids = Array.from({ length: as === 'slice' ? slices : 1 }, newId);
    edit((p) => {
      const drawn = drawRound(p, id, as, ids, { way, from, frame });
      return knocksOut ? knockOut(drawn, id, ids, newId()) : drawn;
    });
    select({ layers: ids });
  };
  return (
    <Fold title="Rule, border or box">
      <Segmented
        label="A rule grows"
        value={from}
        choices={{ start: 'from left', middle: 'middle', end: 'right' }}
        onChange={setFrom}
      />
      <Buttons>
        <Button onPress={() => add('under')}>Underline</Button>
        <Button onPress={() => add('over')}>Rule over it</Button>
        <Button onPress={() => add('before')}>Rule before it</Button>
        <Button onPress={() => add('box')}>Border</Button>
      </Buttons>
      <Gap />
      <NumberField
        label="Slices of a box"
        value={slices}
        min={1}
        max={40}
        onChange={(n) => setSlices(Math.round(n))}
        {...whole}
      />
      <Select before="Slices run" label="Slices run" value={way} choices={WAYS} onChange={setWay} />
      <Buttons>
        <Button onPress={() => add('slice')}>Box behind it</Button>
        <Button onPress={() => add('slice', true)}>Box, knocked out</Button>
      </Buttons>
      <Hint>They keep to its size when its text changes.</Hint>
    </Fold>
  );
}

function FittedControls({ ids, fitted }: { ids: readonly string[]; fitted: Fitted }) {
  const piece = useCalm((s) => s.piece);
  const to = partWithId(piece, fitted.to);
  const line = fitted.as === 'under' || fitted.as === 'over';
  return (
    <Fold title="Keeps to" fact={to?.name ?? 'gone'} open>
      {!to && <Warning>What it kept to is gone: it stays as it is.</Warning>}
      <PartField part="fitted.padX" {...(line && { label: 'Longer by' })} />
      <PartField part="fitted.padY" {...(line && { label: 'Away by' })} />
      {fitted.as === 'box' && <PartField part="fitted.radius" />}
      {fitted.slice ? (
        <PartChoice part="fitted.slice.way" label="Slices run" choices={WAYS} />
      ) : (
        <PartChoice part="fitted.from" label="Its path begins" choices={['left', 'right']} />
      )}
      <Button $wide onPress={() => edit((p) => setFitted(p, ids, () => null))}>
        Detach
      </Button>
    </Fold>
  );
}
