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
  setKey,
  updateKeyed,
  withPart,
  writeAsWritten,
  writtenWithin,
  type Keyed,
  type KeyedPart,
  type KeyRef,
  type Stroke,
} from '@/core/document';
import { keysOf, valueAt, type Animated } from '@/core/timing';
import { Button, Fold, IconButton, KeyToggle, notify, NumberField, Group, Hint } from '@/ui';
import { fieldOf, keyState } from '../../properties';
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
import { useFrames } from './frames-field';
import { LineGroup } from './line-group';
import { MannerGroup } from './manner-group';
import { PaceGroup } from './pace-group';
import { SpreadGroup } from './spread-group';

/** Says where what a hand wrote goes on after the end of the piece, and offers to fit it in. */
function sayIfTooLong(ids: readonly string[]): void {
  const { piece } = useEditor.getState();
  const ends = selectedStrokes(useEditor.getState()).flatMap((stroke) => keyedSpan(stroke)?.last ?? []);
  const last = Math.max(...ends, 0);
  const over = last - (piece.length - 1);
  if (over <= 0) return;
  notify(`As it was written it goes on ${over} frames after the end of the piece.`, {
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

/** The value of one part now, and its keys in a list: all that the lane shows, for keyboard and numbers. */
function PartGroup({ owner, keyed, part }: { owner: string; keyed: Keyed; part: KeyedPart }) {
  const frame = useCalm((s) => Math.round(s.frame));
  const chosen = useCalm((s) => s.selection.keys);
  const layers = useCalm((s) => s.selection.layers);
  const frames = useFrames();
  const value = partOf(keyed, part)!;
  const property = propertyOf(keyed, part)!;
  const name = property.fullName;
  if (property.kind === 'colour')
    return <ColourKeys owner={owner} name={name} part={part} value={value as Animated<string>} />;
  if (property.kind === 'shape') return null;
  const number = value as Animated;
  const keys = keysOf(number);
  const written = fieldOf(property);
  const refOf = (index: number): KeyRef => ({ stroke: owner, part, index });
  const setNow = (to: number) => {
    if (changeable().length === 0) return;
    // Without keys the value is changed for all time; with keys, at this frame.
    if (keys.length > 0) edit((p) => setKey(p, owner, part, frame, to), `key ${part}`);
    else edit((p) => updateKeyed(p, [owner], (one) => withPart(one, part, to)), `value ${part}`);
  };
  return (
    <Group>
      <div style={{ display: 'flex', gap: 4, alignItems: 'center' }}>
        <div style={{ flex: 1 }}>
          <NumberField
            label={name}
            value={Math.round(valueAt(number, frame) * 10000) / 10000}
            onChange={setNow}
            {...written}
          />
        </div>
        <KeyToggle
          label={name}
          state={keyState(number, frame)}
          onPress={() => {
            if (changeable().length === 0) return;
            const here = keys.findIndex((key) => key.frame === frame);
            edit((p) =>
              here < 0 ? setKey(p, owner, part, frame, valueAt(number, frame)) : removeKeys(p, [refOf(here)]),
            );
          }}
        />
      </div>
      {keys.map((key, index) => {
        const ref = refOf(index);
        const isChosen = chosen.some((other) => sameKey(other, ref));
        return (
          <KeyRow
            key={index}
            data-chosen={isChosen}
            onFocus={() => !isChosen && select({ layers, keys: [ref] })}
          >
            <NumberField
              hideLabel
              label={`${name} key ${index + 1}: frame`}
              value={key.frame}
              onChange={(to) => {
                edit((p) => moveKeys(p, [ref], to - key.frame), 'key frame');
                showFrame(to);
              }}
              {...frames}
            />
            <NumberField
              hideLabel
              label={`${name} key ${index + 1}: value`}
              value={key.value}
              onChange={(to) => edit((p) => changeKey(p, [ref], { value: to }), 'key value')}
              {...written}
            />
            <IconButton
              label={`Delete ${name.toLowerCase()} key ${index + 1}`}
              plain
              onPress={() => edit((p) => removeKeys(p, [ref]))}
            >
              <X />
            </IconButton>
          </KeyRow>
        );
      })}
    </Group>
  );
}

/** Frames at which a colour is keyed; the colours themselves are changed where the ink is. */
function ColourKeys({
  owner,
  name,
  part,
  value,
}: {
  owner: string;
  name: string;
  part: KeyedPart;
  value: Animated<string>;
}) {
  const frames = useFrames();
  return (
    <Group title={name}>
      {keysOf(value).map((key, index) => (
        <KeyRow key={index}>
          <NumberField
            hideLabel
            label={`${name} key ${index + 1}: frame`}
            value={key.frame}
            onChange={(to) =>
              edit((p) => moveKeys(p, [{ stroke: owner, part, index }], to - key.frame), 'key frame')
            }
            {...frames}
          />
          <span style={{ height: 16, borderRadius: 4, background: key.value }} title={key.value} />
          <IconButton
            label={`Delete ${name.toLowerCase()} key ${index + 1}`}
            plain
            onPress={() => edit((p) => removeKeys(p, [{ stroke: owner, part, index }]))}
          >
            <X />
          </IconButton>
        </KeyRow>
      ))}
    </Group>
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
