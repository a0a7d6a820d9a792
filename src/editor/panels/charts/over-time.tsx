'use client';
import { Area, ComposedChart, Line, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts';

/** One moment of what is drawn over time. */
export interface Moment {
  readonly frame: number;
  readonly value: number;
  /** A second value, as a line of caution. */
  readonly caution?: number;
}

const HEIGHT = 84;

/** A value over the frames of the piece as an area, with the frame shown as a line. */
export default function OverTime({
  moments,
  most,
  frame,
}: {
  moments: readonly Moment[];
  /** The value at the top; where absent the greatest of them. */
  most?: number;
  frame: number;
}) {
  return (
    <ResponsiveContainer width="100%" height={HEIGHT}>
      <ComposedChart data={moments} margin={{ top: 4, right: 2, bottom: 0, left: 0 }}>
        <XAxis dataKey="frame" type="number" domain={['dataMin', 'dataMax']} hide />
        <YAxis hide domain={[0, most ?? 'dataMax']} />
        <Area
          dataKey="value"
          stroke="var(--tail)"
          fill="var(--tail)"
          fillOpacity={0.22}
          isAnimationActive={false}
        />
        {moments.some(({ caution }) => caution !== undefined) && (
          <Line dataKey="caution" stroke="var(--caution)" dot={false} isAnimationActive={false} />
        )}
        <ReferenceLine x={frame} stroke="var(--text)" />
      </ComposedChart>
    </ResponsiveContainer>
  );
}
