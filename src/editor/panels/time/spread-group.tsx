'use client';
import { onSpan, type Spread, type SpreadOrder, type Stroke } from '@/core/document';
import { framesPerSecond } from '@/core/timing';
import { Button, Check, NumberField, percent, Segmented, Select, Group } from '@/ui';
import { editChosen, spreadOut, useCalm, useSpread } from '../../state';
import { useFrames } from '../../properties';

const ORDERS: readonly SpreadOrder[] = [
  'writing',
  'reading',
  'shortest first',
  'longest first',
  'from the middle',
  'left to right',
  'top to bottom',
  'random',
];

/** Order and overlap of the selected strokes, timed at once; every change shows at once. */
export function SpreadGroup({ strokes }: { strokes: readonly Stroke[] }) {
  const rate = useCalm((s) => s.piece.rate);
  const spread = useSpread();
  const frames = useFrames();
  if (strokes.length < 2) return null;
  const put = (part: Partial<Spread>) => {
    useSpread.setState(part);
    editChosen((p, ids) => spreadOut(p, ids, useSpread.getState()), 'spread');
  };
  const spans = strokes.map(onSpan).filter((span) => span !== null);
  const whole =
    spans.length > 0 ? Math.max(...spans.map((s) => s.to)) - Math.min(...spans.map((s) => s.from)) : 0;
  const { step, each } = spread;
  return (
    <Group title="Spread">
      <Select
        label="Order"
        value={spread.order}
        choices={ORDERS.map((id) => ({
          id,
          name: id === 'writing' || id === 'reading' ? `${id} order` : id,
        }))}
        onChange={(order) => put({ order })}
      />
      <Segmented
        before="Each after"
        label="Each begins by"
        value={step.by}
        choices={{ frames: 'a delay', overlap: 'an overlap' }}
        onChange={(by) => put({ step: by === 'frames' ? { by, frames: 4 } : { by, share: 0.2 } })}
      />
      {step.by === 'frames' ? (
        <NumberField
          label="Delay"
          value={step.frames}
          min={0}
          max={10000}
          onChange={(v) => put({ step: { by: 'frames', frames: v } })}
          {...frames}
        />
      ) : (
        <NumberField
          label="Overlap"
          value={step.share}
          min={-5}
          max={1}
          step={0.01}
          onChange={(share) => put({ step: { by: 'overlap', share } })}
          {...percent}
        />
      )}
      <Segmented
        before="Length"
        label="Length of each"
        value={each.by}
        choices={{ own: 'its own', frames: 'equal', speed: 'speed' }}
        onChange={(by) =>
          put({ each: by === 'own' ? { by } : by === 'frames' ? { by, frames: 12 } : { by, speed: 60 } })
        }
      />
      {each.by === 'frames' && (
        <NumberField
          label="Length"
          value={each.frames}
          min={2}
          max={10000}
          onChange={(v) => put({ each: { by: 'frames', frames: v } })}
          {...frames}
        />
      )}
      {each.by === 'speed' && (
        <NumberField
          label="Speed"
          value={Math.round(each.speed * framesPerSecond(rate))}
          min={1}
          max={1e6}
          step={25}
          onChange={(v) => put({ each: { by: 'speed', speed: v / framesPerSecond(rate) } })}
          format={(v) => `${Math.round(v)} px/s`}
          parse={(text) => {
            const value = Number.parseFloat(text);
            return Number.isFinite(value) ? value : null;
          }}
        />
      )}
      <NumberField
        label="Total"
        value={whole}
        min={2}
        max={100000}
        onChange={(total) => put({ total })}
        {...frames}
      />
      {spread.total !== null && (
        <Check isSelected onChange={() => put({ total: null })}>
          Fitted to {Math.round(spread.total)} frames
        </Check>
      )}
      <Check isSelected={spread.handOver} onChange={(handOver) => put({ handOver })}>
        Hand over where strokes meet
      </Check>
      {spread.order === 'random' && (
        <Button $wide onPress={() => put({ seed: spread.seed + 1 })}>
          Another chance
        </Button>
      )}
      <Button $wide onPress={() => put({})}>
        Spread {strokes.length} strokes
      </Button>
    </Group>
  );
}
