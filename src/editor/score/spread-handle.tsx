'use client';
import styled from 'styled-components';
import { inSpreadOrder, onSpan, type Stroke, strokesOf } from '@/core/document';
import { nudgeKeys } from '@/ui';
import { edit, editFromBase, spreadOut, useEditor, useSpread } from '../state';
import { follow, useDragShow } from './drag';
import { rowOfLayer, type Row } from './rows';
import { useTimeScale, xOf } from './time-scale';

const Picture = styled.svg`
  position: absolute;
  inset: 0;
  z-index: 2;
  pointer-events: none;
  overflow: visible;
  g {
    pointer-events: auto;
    cursor: ew-resize;
    outline: none;
    touch-action: none;
  }
  g:focus-visible circle {
    stroke: var(--text);
    stroke-width: 2;
  }
`;

/** Spreads the selected strokes by one handle: the further it is drawn out, the later each begins after the one before. */
export function SpreadHandle({
  strokes,
  rows,
  inView,
}: {
  strokes: readonly Stroke[];
  rows: readonly Row[];
  /** Whether a row is in view: the handle is at the last stroke that is. */
  inView: (row: number) => boolean;
}) {
  const scale = useTimeScale();
  const spread = useSpread();
  const ordered = inSpreadOrder(
    strokes.filter((stroke) => onSpan(stroke)),
    spread.order,
    spread.seed,
  );
  const [first] = ordered;
  if (!first || ordered.length < 2) return null;
  const startOf = (stroke: Stroke): number => onSpan(stroke)!.from;
  const shown = ordered.flatMap((stroke, place) => {
    const row = rowOfLayer(rows, stroke.id);
    return row < 0
      ? []
      : [{ row, place, x: xOf(scale, startOf(stroke)), y: (row + 0.5) * scale.lane, stroke }];
  });
  const end =
    shown.findLast(({ row, place }) => place > 0 && inView(row)) ?? shown.findLast(({ place }) => place > 0);
  if (!end) return null;
  const last = end.stroke;
  const steps = end.place;
  const spreadTo = (frames: number) => {
    useSpread.setState({ step: { by: 'frames', frames: Math.max(0, frames) }, total: null });
    return useSpread.getState();
  };
  const ids = () => ordered.filter((stroke) => !stroke.locked).map((stroke) => stroke.id);
  const say = (frames: number) => {
    const now = strokesOf(useEditor.getState().piece).filter((l) => ordered.some((s) => s.id === l.id));
    const spans = now.flatMap((stroke) => onSpan(stroke) ?? []);
    const whole = Math.max(...spans.map((s) => s.to)) - Math.min(...spans.map((s) => s.from));
    const words = `each ${Math.round(frames * 10) / 10} fr later · all in ${Math.round(whole)} fr`;
    useDragShow.setState({ words, at: Math.max(...spans.map((s) => s.from)), snap: null });
  };
  const now = (startOf(last) - startOf(first)) / steps;
  return (
    <Picture width={scale.width} height={rows.length * scale.lane} data-spread-handle>
      <path
        d={`M${shown.map((p) => `${p.x} ${p.y}`).join('L')}`}
        fill="none"
        stroke="var(--head)"
        strokeDasharray="2 4"
      />
      <g
        role="slider"
        tabIndex={0}
        aria-label="Spread the selected strokes"
        aria-valuenow={Math.round(now * 10) / 10}
        aria-valuetext={`each ${Math.round(now * 10) / 10} frames later`}
        onPointerDown={(event) => {
          if (event.button !== 0) return;
          event.stopPropagation();
          const from = event.clientX;
          const moving = ids();
          const before = useSpread.getState();
          const move = (e: globalThis.PointerEvent) => {
            const by = (e.clientX - from) / useTimeScale.getState().pixelsPerFrame;
            const frames = Math.max(0, now + by / steps);
            const next = spreadTo(frames);
            editFromBase((p) => spreadOut(p, moving, next));
            say(frames);
          };
          follow(event, move, () => useSpread.setState(before));
        }}
        onKeyDown={nudgeKeys({
          along(by) {
            const next = spreadTo(Math.max(0, Math.round(now) + by));
            edit((p) => spreadOut(p, ids(), next), 'spread');
          },
        })}
      >
        <title>Drag: each stroke begins later after the one before</title>
        <circle cx={end.x} cy={end.y} r={11} fill="transparent" />
        <circle cx={end.x} cy={end.y} r={6} fill="var(--ground)" stroke="var(--head)" strokeWidth={1.5} />
        <path
          d={`M${end.x - 3.5} ${end.y}h7m-2.2 -2.2l2.2 2.2l-2.2 2.2m-2.6 -4.4l-2.2 2.2l2.2 2.2`}
          fill="none"
          stroke="var(--head)"
          strokeWidth={1.2}
        />
      </g>
    </Picture>
  );
}
