'use client';
import { useMemo } from 'react';
import { changed, onSpan, updateStrokes, type Stroke, windowAt } from '@/core/document';
import { measurePath } from '@/core/geometry';
import { framesPerSecond, type Pace } from '@/core/timing';
import { NumberField, percent, Segmented, Hint } from '@/ui';
import { editChosen, useCalm } from '../../state';
import { OverTime, type Moment } from '../charts';

type Kind = Pace['kind'] | 'even';

/** Places at which the chart of speed is read. */
const MOMENTS = 160;
const HAND: Pace = { kind: 'hand', strength: 1, soft: 0.6 };

/** Pixels a second that heads move along the strokes, in steps of a share of the time they take together. */
function speeds(strokes: readonly Stroke[], fps: number): Moment[] {
  const spans = strokes.flatMap((stroke) => {
    const span = onSpan(stroke);
    return span ? [{ stroke, ...span }] : [];
  });
  if (spans.length === 0) return [];
  const [first, last] = [Math.min(...spans.map((s) => s.from)), Math.max(...spans.map((s) => s.to))];
  const step = Math.max(0.25, (last - first) / MOMENTS);
  const sums = new Float64Array(Math.floor((last - first) / step) + 1);
  for (const { stroke, from, to } of spans) {
    const { length } = measurePath(stroke.path);
    const [a, b] = [
      Math.max(0, Math.floor((from - first) / step)),
      Math.min(sums.length - 1, Math.ceil((to - first) / step)),
    ];
    let before = windowAt(stroke, first + a * step).head;
    for (let i = a; i <= b; i++) {
      const { head } = windowAt(stroke, first + (i + 1) * step);
      sums[i]! += (Math.abs(head - before) * length * fps) / step;
      before = head;
    }
  }
  return Array.from(sums, (speed, i) => ({
    frame: Math.round((first + i * step) * 100) / 100,
    value: Math.round(speed),
  }));
}

function SpeedChart({ strokes }: { strokes: readonly Stroke[] }) {
  const fps = useCalm((s) => framesPerSecond(s.piece.rate));
  const frame = useCalm((s) => Math.round(s.frame));
  const data = useMemo(() => speeds(strokes, fps), [strokes, fps]);
  if (data.length < 2) return null;
  const most = Math.max(...data.map((d) => d.value));
  return (
    <figure
      style={{ margin: '8px 0 0' }}
      aria-label={`Speed along the strokes, at most ${most} pixels a second`}
    >
      <OverTime moments={data} frame={frame} />
      <figcaption style={{ color: 'var(--quiet)', fontSize: 12 }}>
        px/s along the strokes · at most {most}
      </figcaption>
    </figure>
  );
}

/** How progress is spread along the selected strokes. */
export function PaceGroup({ strokes }: { strokes: readonly Stroke[] }) {
  if (strokes.length === 0) return null;
  const kinds = new Set(strokes.map((s): Kind => s.pace?.kind ?? 'even'));
  const kind = kinds.size === 1 ? [...kinds][0]! : null;
  const first = strokes[0]!.pace;
  const hand = kind === 'hand' && first?.kind === 'hand' ? first : null;
  const same = <K extends 'strength' | 'soft'>(key: K): number | null =>
    strokes.every((s) => s.pace?.kind === 'hand' && s.pace[key] === hand![key]) ? hand![key] : null;
  const put = (pace: (stroke: Stroke) => Pace | undefined, merge: string) => {
    editChosen((p, ids) => updateStrokes(p, ids, (s) => changed(s, { pace: pace(s) })), merge);
  };
  const written = strokes.some((s) => s.hand);
  return (
    <>
      <Segmented<Kind>
        label="Pace"
        value={kind}
        choices={[
          { id: 'even', name: 'even' },
          { id: 'segments', name: 'by points' },
          { id: 'hand', name: 'hand' },
          ...(written ? [{ id: 'written' as const, name: 'as written' }] : []),
        ]}
        onChange={(to) =>
          put(() => (to === 'even' ? undefined : to === 'hand' ? HAND : { kind: to }), 'pace kind')
        }
      />
      {hand && (
        <>
          <NumberField
            label="Slower in bends"
            value={same('strength')}
            min={0}
            max={2}
            step={0.01}
            onChange={(strength) =>
              put((s) => (s.pace?.kind === 'hand' ? { ...s.pace, strength } : s.pace), 'pace strength')
            }
            {...percent}
          />
          <NumberField
            label="Soft at the ends"
            value={same('soft')}
            min={0}
            max={1}
            step={0.01}
            onChange={(soft) =>
              put((s) => (s.pace?.kind === 'hand' ? { ...s.pace, soft } : s.pace), 'pace soft')
            }
            {...percent}
          />
        </>
      )}
      {kind === 'written' && strokes.some((s) => !s.hand) && (
        <Hint>Strokes that no hand wrote keep an even speed.</Hint>
      )}
      <SpeedChart strokes={strokes} />
    </>
  );
}
