'use client';
import { useMemo } from 'react';
import { changed, speedOverTime, updateStrokes, type Stroke, shared } from '@/core/document';
import { framesPerSecond, type Pace } from '@/core/timing';
import { NumberField, percent, Segmented, Hint } from '@/ui';
import { editChosen, useCalm } from '../../state';
import { OverTime } from '../charts';

type Kind = Pace['kind'] | 'even';

const HAND: Pace = { kind: 'hand', strength: 1, soft: 0.6 };
const HAND_NUMBERS = [
  { part: 'strength', label: 'Slower in bends', min: 0, max: 2, step: 0.01, ...percent },
  { part: 'soft', label: 'Soft at the ends', min: 0, max: 1, step: 0.01, ...percent },
] as const;

function SpeedChart({ strokes }: { strokes: readonly Stroke[] }) {
  const fps = useCalm((s) => framesPerSecond(s.piece.rate));
  const frame = useCalm((s) => Math.round(s.frame));
  const data = useMemo(
    () =>
      speedOverTime(strokes, fps).map((moment) => ({
        frame: Math.round(moment.frame * 100) / 100,
        value: Math.round(moment.speed),
      })),
    [strokes, fps],
  );
  if (data.length < 2) return null;
  const most = Math.max(...data.map(({ value }) => value));
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
  const kind = shared(strokes.map((s): Kind => s.pace?.kind ?? 'even'));
  const hands = strokes.flatMap(({ pace }) => (pace?.kind === 'hand' ? [pace] : []));
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
      {kind === 'hand' &&
        HAND_NUMBERS.map(({ part, ...number }) => (
          <NumberField
            key={part}
            value={shared(hands.map((pace) => pace[part]))}
            onChange={(to) =>
              put((s) => (s.pace?.kind === 'hand' ? { ...s.pace, [part]: to } : s.pace), `pace ${part}`)
            }
            {...number}
          />
        ))}
      {kind === 'written' && strokes.some((s) => !s.hand) && (
        <Hint>Strokes that no hand wrote keep an even speed.</Hint>
      )}
      <SpeedChart strokes={strokes} />
    </>
  );
}
