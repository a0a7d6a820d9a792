'use client';
import {
  arriving,
  changed,
  newArrival,
  setArrival,
  strokesOf,
  type Arrival,
  type ArrivalTimes,
} from '@/core/document';
import { keysOf } from '@/core/timing';
import { Button, Check, Fold, NumberField, parseWithUnit, percent, pixels, Segmented, Select } from '@/ui';
import { beginDrag, edit, endDrag, selectedLayers, useCalm, useEditor } from '../../state';
import { PartNumber } from '../keyed-part';
import { Buttons, Hint, Row } from '../panel';
import { useFrames } from '../time/frames-field';

const drag = { onBegin: beginDrag, onEnd: endDrag };
const thousandths = { format: (v: number) => String(Math.round(v)), parse: parseWithUnit('') };

const FROM = [
  { id: 'below', name: 'up out of a line' },
  { id: 'above', name: 'down out of a line' },
  { id: 'left', name: 'right out of a line' },
  { id: 'right', name: 'left out of a line' },
  { id: 'place', name: 'in its place' },
] as const;

/** How lettering comes and goes. */
export function ArrivalGroup() {
  const piece = useCalm((s) => s.piece);
  const selection = useCalm((s) => s.selection);
  const frames = useFrames();
  const texts = selectedLayers({ piece, selection }).filter((layer) => layer.type === 'lettering');
  const [first] = texts;
  if (!first) return null;
  const ids = texts.map((text) => text.id);
  const { arrival } = first;
  const change = (part: Partial<Arrival>, merge?: string) =>
    edit((p) => setArrival(p, ids, (now) => ({ ...(now ?? newArrival()), ...part })), merge);
  const retime = (times: ArrivalTimes) => edit((p) => arriving(p, ids, times));
  const set = (part: Partial<Arrival>) => {
    change(part);
    const now = Math.round(useEditor.getState().frame);
    retime({ onAt: now, onFrames: 14, offAt: Math.max(now + 28, piece.length - 20), offFrames: 12 });
  };
  if (!arrival) {
    return (
      <Fold title="Come and go">
        <Hint>It is there all the time. Let it slide out of a line, or come letter by letter.</Hint>
        <Buttons>
          <Button onPress={() => set({ from: 'below' })}>Out of a line</Button>
          <Button onPress={() => set({ from: null, fade: true, by: 'letter' })}>Fade in</Button>
        </Buttons>
      </Fold>
    );
  }
  const keyed = keysOf(arrival.shown).length;
  return (
    <Fold title="Come and go" fact={arrival.by === 'all' ? 'all at once' : `by ${arrival.by}`} open>
      <Segmented
        label="Comes"
        value={arrival.by}
        choices={[
          { id: 'all', name: 'all' },
          { id: 'line', name: 'line' },
          { id: 'word', name: 'word' },
          { id: 'letter', name: 'letter' },
        ]}
        onChange={(by) => change({ by })}
      />
      <Row>
        <span>Slides</span>
        <div style={{ width: 156 }}>
          <Select
            label="Slides"
            value={arrival.from ?? 'place'}
            choices={FROM}
            onChange={(from) => change({ from: from === 'place' ? null : from })}
          />
        </div>
      </Row>
      {arrival.from && (
        <>
          <Row>
            <span>Out of</span>
            <div style={{ width: 156 }}>
              <Select
                label="Out of"
                value={strokesOf(piece).some((s) => s.id === arrival.line) ? arrival.line! : OWN_EDGE}
                choices={[
                  { id: OWN_EDGE, name: 'its own edge' },
                  ...strokesOf(piece).map(({ id, name }) => ({ id, name })),
                ]}
                onChange={(line) =>
                  edit((p) =>
                    setArrival(p, ids, (now) =>
                      changed<Arrival>(now ?? newArrival(), { line: line === OWN_EDGE ? undefined : line }),
                    ),
                  )
                }
              />
            </div>
          </Row>
          {arrival.line === undefined && (
            <NumberField
              label="Beyond the text"
              value={arrival.margin}
              min={-4000}
              max={4000}
              onChange={(margin) => change({ margin }, 'margin')}
              {...pixels}
              {...drag}
            />
          )}
          <Check isSelected={!arrival.open} onChange={(cut) => change({ open: !cut })}>
            Cut off at the line
          </Check>
          <Check isSelected={arrival.onward} onChange={(onward) => change({ onward })}>
            Leaves on the other side
          </Check>
        </>
      )}
      {arrival.by !== 'all' && (
        <>
          <Row>
            <span>Order</span>
            <div style={{ width: 156 }}>
              <Select
                label="Order of the parts"
                value={arrival.order}
                choices={[
                  { id: 'first to last', name: 'first to last' },
                  { id: 'last to first', name: 'last to first' },
                  { id: 'from the middle', name: 'from the middle' },
                ]}
                onChange={(order) => change({ order })}
              />
            </div>
          </Row>
          <NumberField
            label="Each after"
            value={arrival.gap}
            min={0}
            max={1000}
            step={0.5}
            onChange={(gap) => change({ gap }, 'gap')}
            {...frames}
            {...drag}
          />
          <Check
            isSelected={arrival.within !== undefined}
            onChange={(on) =>
              edit((p) =>
                setArrival(p, ids, (now) =>
                  changed<Arrival>(now ?? newArrival(), { within: on ? 12 : undefined }),
                ),
              )
            }
          >
            All set out within
          </Check>
          {arrival.within !== undefined && (
            <NumberField
              label="Frames for all of them"
              value={arrival.within}
              min={0}
              max={10_000}
              onChange={(within) => change({ within }, 'within')}
              {...frames}
              {...drag}
            />
          )}
        </>
      )}
      <Check isSelected={arrival.fade} onChange={(fade) => change({ fade })}>
        Fades
      </Check>
      <NumberField
        label="Begins at the size"
        value={arrival.scale}
        min={0}
        max={100}
        step={0.01}
        onChange={(scale) => change({ scale }, 'scale')}
        {...percent}
        {...drag}
      />
      <NumberField
        label="Begins wider by"
        value={arrival.tracking}
        min={-1000}
        max={5000}
        step={5}
        onChange={(tracking) => change({ tracking }, 'tracking')}
        {...thousandths}
        {...drag}
      />
      <PartNumber owners={ids} part="arrival.shown" label="There" min={-2} max={3} step={0.01} {...percent} />
      <Hint>{keyed > 0 ? 'Its keys stand in its lane.' : 'Key it, or let it come at the playhead.'}</Hint>
      <Buttons>
        <Button onPress={() => set({})}>Come here</Button>
        <Button onPress={() => edit((p) => setArrival(p, ids, () => null))}>There always</Button>
      </Buttons>
    </Fold>
  );
}

const OWN_EDGE = 'own edge';
