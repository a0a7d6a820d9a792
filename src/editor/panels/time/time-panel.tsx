'use client';
import { useState } from 'react';
import { X } from 'lucide-react';
import styled from 'styled-components';
import {
  applyManner,
  changeKey,
  keyedSpan,
  moveKeys,
  removeKeys,
  setKey,
  strokeById,
  updateStrokes,
  writeAsWritten,
  type KeyRef,
  type Manner,
  type Stroke,
  type WindowPart,
} from '@/core/document';
import { framesPerSecond, keysOf, parseTime, valueAt } from '@/core/timing';
import { Button, IconButton, KeyToggle, NumberField, percent, Segmented } from '@/ui';
import {
  beginDrag,
  changeable,
  edit,
  endDrag,
  select,
  selectedStrokes,
  showFrame,
  singleStroke,
  useEditor,
} from '../../state';
import { Group, Hint, Row } from '../panel';
import { SelectionTitle } from '../selection-title';
import { CueGroup } from './cue-group';
import { EasingGroup } from './easing-group';
import { PaceGroup } from './pace-group';
import { SpreadGroup } from './spread-group';

const useFrames = () => {
  const rate = useEditor((s) => s.piece.rate);
  return {
    format: (v: number) => `${v} fr`,
    parse: (text: string) => parseTime(text, rate),
    pixelsPerStep: 4,
  };
};

interface MannerChoices {
  kind: Manner['kind'];
  from: Manner['from'];
  onFrames: number;
  offFrames: number;
  landing: number;
}

/** Writes strokes on and off in one press; each keeps its own start where it has one. */
function MannerGroup({ strokes }: { strokes: readonly Stroke[] }) {
  const length = useEditor((s) => s.piece.length);
  const fps = useEditor((s) => framesPerSecond(s.piece.rate));
  const frames = useFrames();
  const [choices, setChoices] = useState<MannerChoices>({
    kind: 'both',
    from: 'start',
    onFrames: Math.round(fps * 0.8),
    offFrames: Math.round(fps * 0.6),
    landing: 0.75,
  });
  const put = (part: Partial<MannerChoices>) => setChoices((old) => ({ ...old, ...part }));
  const apply = () => {
    const ids = changeable();
    edit((piece) =>
      ids.reduce((result, id) => {
        const stroke = strokeById(result, id);
        if (!stroke) return result;
        const span = keyedSpan(stroke);
        const offAt = Math.max(0, length - 1 - choices.offFrames);
        const onAt = span && choices.kind !== 'off' ? span.first : 0;
        return applyManner(result, [id], { ...choices, onAt, offAt });
      }, piece),
    );
  };
  return (
    <Group title="Manner">
      <Segmented
        label="Manner"
        value={choices.kind}
        choices={[
          { id: 'on', name: 'write on' },
          { id: 'off', name: 'write off' },
          { id: 'both', name: 'both' },
        ]}
        onChange={(kind) => put({ kind })}
      />
      <Row>
        <span>from</span>
        <div style={{ width: 172 }}>
          <Segmented
            label="Origin"
            value={choices.from}
            choices={(['start', 'middle', 'end'] as const).map((id) => ({ id, name: id }))}
            onChange={(from) => put({ from })}
          />
        </div>
      </Row>
      {choices.kind !== 'off' && (
        <NumberField
          label="Writes on in"
          value={choices.onFrames}
          min={1}
          max={9999}
          onChange={(onFrames) => put({ onFrames })}
          {...frames}
        />
      )}
      {choices.kind !== 'on' && (
        <NumberField
          label="Writes off in"
          value={choices.offFrames}
          min={1}
          max={9999}
          onChange={(offFrames) => put({ offFrames })}
          {...frames}
        />
      )}
      <NumberField
        label="Landing"
        value={choices.landing}
        min={0}
        max={1}
        step={0.01}
        onChange={(landing) => put({ landing })}
        {...percent}
      />
      <Button style={{ width: '100%', marginTop: 4 }} isDisabled={strokes.length === 0} onPress={apply}>
        {strokes.length > 1 ? `Apply to ${strokes.length} strokes` : 'Apply'}
      </Button>
    </Group>
  );
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
        style={{ width: '100%' }}
        onPress={() => {
          const ids = changeable();
          edit((p) => writeAsWritten(p, ids, from));
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

const PARTS: readonly { part: WindowPart; name: string }[] = [
  { part: 'head', name: 'Head' },
  { part: 'tail', name: 'Tail' },
  { part: 'slide', name: 'Slide' },
];

/** The value of one end now, and its keys in a list: all that the lane shows, for keyboard and numbers. */
function PartGroup({ stroke, part, name }: { stroke: Stroke; part: WindowPart; name: string }) {
  const frame = useEditor((s) => s.frame);
  const chosen = useEditor((s) => s.selection.keys);
  const frames = useFrames();
  const value = stroke.window[part];
  const keys = keysOf(value);
  const limits = part === 'slide' ? { min: -1000, max: 1000 } : { min: -10, max: 10 };
  const drag = { onBegin: beginDrag, onEnd: endDrag };
  const refOf = (index: number): KeyRef => ({ stroke: stroke.id, part, index });
  const setNow = (to: number) => {
    if (changeable().length === 0) return;
    // Without keys the value is changed for all time; with keys, at this frame.
    if (keys.length > 0) edit((p) => setKey(p, stroke.id, part, frame, to), `key ${part}`);
    else {
      edit(
        (p) => updateStrokes(p, [stroke.id], (l) => ({ ...l, window: { ...l.window, [part]: to } })),
        `value ${part}`,
      );
    }
  };
  return (
    <Group>
      <div style={{ display: 'flex', gap: 4, alignItems: 'center' }}>
        <div style={{ flex: 1 }}>
          <NumberField
            label={name}
            value={Math.round(valueAt(value, frame) * 10000) / 10000}
            step={0.01}
            onChange={setNow}
            {...limits}
            {...drag}
            {...percent}
          />
        </div>
        <KeyToggle
          label={name}
          state={keys.length === 0 ? 'none' : keys.some((key) => key.frame === frame) ? 'here' : 'elsewhere'}
          onPress={() => {
            if (changeable().length === 0) return;
            const here = keys.findIndex((key) => key.frame === frame);
            edit((p) =>
              here < 0
                ? setKey(p, stroke.id, part, frame, valueAt(value, frame))
                : removeKeys(p, [refOf(here)]),
            );
          }}
        />
      </div>
      {keys.map((key, index) => {
        const ref = refOf(index);
        const isChosen = chosen.some((k) => k.stroke === stroke.id && k.part === part && k.index === index);
        return (
          <KeyRow
            key={index}
            data-chosen={isChosen}
            onFocus={() => !isChosen && select({ layers: [stroke.id], keys: [ref] })}
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
              step={0.01}
              onChange={(to) => edit((p) => changeKey(p, [ref], { value: to }), 'key value')}
              {...limits}
              {...percent}
            />
            <IconButton
              label={`Delete ${part} key ${index + 1}`}
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

/** When strokes are written. */
export function TimePanel() {
  const piece = useEditor((s) => s.piece);
  const selection = useEditor((s) => s.selection);
  const stroke = useEditor(singleStroke);
  const strokes = selectedStrokes({ piece, selection });
  return (
    <>
      <SelectionTitle empty="Select strokes to say when they are written." />
      <MannerGroup strokes={strokes} />
      <SpreadGroup strokes={strokes} />
      <WrittenGroup strokes={strokes} />
      <PaceGroup strokes={strokes} />
      <CueGroup strokes={strokes} />
      {selection.keys.length > 0 && <EasingGroup keys={selection.keys} />}
      {stroke &&
        PARTS.map(({ part, name }) => <PartGroup key={part} stroke={stroke} part={part} name={name} />)}
      {strokes.length > 1 && <Hint>Select one stroke to see its keys, or work on them in the score.</Hint>}
    </>
  );
}
