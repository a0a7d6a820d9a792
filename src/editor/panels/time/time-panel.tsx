'use client';
import { X } from 'lucide-react';
import styled from 'styled-components';
import {
  changeKey,
  groupOf,
  isOfWindow,
  keyedParts,
  keyedSpan,
  moveKeys,
  partOf,
  propertyOf,
  removeKeys,
  sameKey,
  writeAsWritten,
  writtenWithin,
  type Keyed,
  type KeyedPart,
  type KeyRef,
  type Stroke,
} from '@/core/document';
import type { Property } from '@/core/properties';
import { keysOf } from '@/core/timing';
import { amount, Button, Fold, IconButton, notify, NumberField, Group, Hint } from '@/ui';
import { OwnersOf, PartField, useFieldOf, useFrames } from '../../properties';
import {
  changeable,
  edit,
  select,
  selectedStrokes,
  showFrame,
  singleStroke,
  useCalm,
  useEditor,
} from '../../state';
import { SelectionTitle } from '../selection-title';
import { CueGroup } from './cue-group';
import { EasingGroup } from './easing';
import { LineGroup } from './line-group';
import { MannerGroup } from './manner-group';
import { PaceGroup } from './pace-group';
import { SpeedGroup } from './speed-group';
import { SpreadGroup } from './spread-group';

/** Says where what a hand wrote goes on after the end of the piece, and offers to fit it in. */
function sayIfTooLong(ids: readonly string[]): void {
  const { piece } = useEditor.getState();
  const ends = selectedStrokes(useEditor.getState()).flatMap((stroke) => keyedSpan(stroke)?.last ?? []);
  const last = Math.max(...ends, 0);
  const over = last - (piece.length - 1);
  if (over <= 0) return;
  notify(`As it was written it goes on ${amount(over, 'frame')} after the end of the piece.`, {
    action: { name: 'Fit it in', run: () => edit((p) => writtenWithin(p, ids, p.length - 1)) },
  });
}

/** Freehand strokes written on as the hand wrote them: its speed, and its pauses. */
function WrittenGroup({ strokes }: { strokes: readonly Stroke[] }) {
  const byHand = strokes.filter((stroke) => stroke.hand);
  if (byHand.length === 0) return null;
  const first = Math.min(...strokes.map((stroke) => keyedSpan(stroke)?.first ?? Infinity));
  const from = Number.isFinite(first) ? first : 0;
  return (
    <Group title="Written by hand">
      <Button
        $wide
        onPress={() => {
          const ids = changeable();
          edit((p) => writeAsWritten(p, ids, from));
          sayIfTooLong(ids);
        }}
      >
        As written by hand · {byHand.reduce((sum, s) => sum + s.hand!.seconds, 0).toFixed(1)} s
      </Button>
    </Group>
  );
}

const KeyRow = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr 26px;
  align-items: center;
  gap: 2px;
  --number-width: 100%;
  border-radius: 6px;
  &[data-chosen='true'] {
    background: var(--pressed);
  }
  button {
    width: 24px;
    height: 24px;
  }
`;

const Colour = styled.span`
  height: 16px;
  border-radius: 4px;
`;

/** The value of one part now, and its keys in a list: all that the lane shows, for keyboard and numbers. */
function PartGroup({ owner, keyed, part }: { owner: string; keyed: Keyed; part: KeyedPart }) {
  const property = propertyOf(keyed, part)!;
  if (property.kind === 'shape') return null;
  const keys = keysOf<unknown>(partOf(keyed, part));
  return (
    <Group>
      <OwnersOf ids={[owner]}>
        <PartField part={part} label={property.fullName} />
      </OwnersOf>
      {keys.map((key, index) => (
        <KeyLine key={index} of={{ stroke: owner, part, index }} property={property} {...key} />
      ))}
    </Group>
  );
}

/** One key: its frame and its value, and the way to be rid of it. */
function KeyLine({
  of,
  property,
  frame,
  value,
}: {
  of: KeyRef;
  property: Property;
  frame: number;
  value: unknown;
}) {
  const chosen = useCalm((s) => s.selection.keys.some((other) => sameKey(other, of)));
  const layers = useCalm((s) => s.selection.layers);
  const frames = useFrames();
  const written = useFieldOf(property);
  const name = `${property.fullName} key ${of.index + 1}`;
  return (
    <KeyRow data-chosen={chosen} onFocus={() => !chosen && select({ layers, keys: [of] })}>
      <NumberField
        hideLabel
        label={`${name}: frame`}
        value={frame}
        onChange={(to) => {
          edit((p) => moveKeys(p, [of], to - frame), 'key frame');
          showFrame(to);
        }}
        {...frames}
      />
      {typeof value === 'number' ? (
        <NumberField
          hideLabel
          label={`${name}: value`}
          value={value}
          onChange={(to) => edit((p) => changeKey(p, [of], { value: to }), 'key value')}
          {...written}
        />
      ) : (
        <Colour style={{ background: String(value) }} title={String(value)} />
      )}
      <IconButton
        label={`Delete ${property.fullName.toLowerCase()} key ${of.index + 1}`}
        plain
        onPress={() => edit((p) => removeKeys(p, [of]))}
      >
        <X />
      </IconButton>
    </KeyRow>
  );
}

/** What is keyed in one stroke, or in the line that times it. */
function KeyLists({ stroke }: { stroke: Stroke }) {
  const piece = useCalm((s) => s.piece);
  const group = groupOf(piece, stroke);
  const own = keyedParts(stroke).filter((part) => !isOfWindow(part));
  const line = group?.line;
  const windowParts = (line ?? stroke).window.travel
    ? ['head', 'travel.length', 'slide']
    : ['head', 'tail', 'slide'];
  return (
    <>
      {windowParts.map((part) => (
        <PartGroup key={part} owner={line ? group.id : stroke.id} keyed={line ?? stroke} part={part} />
      ))}
      {own.map((part) => (
        <PartGroup key={part} owner={stroke.id} keyed={stroke} part={part} />
      ))}
    </>
  );
}

const PACES = { segments: 'by points', hand: 'hand', written: 'as written' } as const;

/** The fact that all strokes share, in a word; “mixed” where they differ. */
const said = (strokes: readonly Stroke[], fact: (stroke: Stroke) => string): string => {
  const facts = new Set(strokes.map(fact));
  return facts.size === 1 ? [...facts][0]! : facts.size > 1 ? 'mixed' : '';
};

/** When strokes are written. */
export function TimePanel() {
  const piece = useCalm((s) => s.piece);
  const selection = useCalm((s) => s.selection);
  const stroke = useCalm(singleStroke);
  const strokes = selectedStrokes({ piece, selection });
  const names = new Map(piece.layers.map((layer) => [layer.id, layer.name]));
  const cued = said(strokes, ({ cue }) =>
    cue ? `with ${names.get(cue.to) ?? 'a stroke that is gone'}` : 'none',
  );
  return (
    <>
      <SelectionTitle empty="Select strokes to say when they are written." />
      {selection.keys.length > 0 && <EasingGroup keys={selection.keys} />}
      <MannerGroup strokes={strokes} />
      <SpreadGroup strokes={strokes} />
      <SpeedGroup strokes={strokes} />
      {strokes.length > 0 && (
        <>
          <WrittenGroup strokes={strokes} />
          <Fold title="Pace" fact={said(strokes, ({ pace }) => (pace ? PACES[pace.kind] : 'even'))} open>
            <PaceGroup strokes={strokes} />
          </Fold>
          <Fold title="Cue" fact={cued}>
            <CueGroup strokes={strokes} />
          </Fold>
        </>
      )}
      <LineGroup strokes={strokes} />
      {stroke && <KeyLists stroke={stroke} />}
      {strokes.length > 1 && <Hint>Select one stroke to see its keys, or work on them in the score.</Hint>}
    </>
  );
}
