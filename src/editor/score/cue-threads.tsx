'use client';
import styled from 'styled-components';
import { arrivalFrame, onSpan, strokeById, type Layer } from '@/core/document';
import { useEditor } from '../state';
import { LANE, laneY } from './envelope';
import { useTimeScale, xOf } from './time-scale';

const Threads = styled.svg`
  position: absolute;
  inset: 0;
  z-index: 1;
  pointer-events: none;
  path {
    fill: none;
    stroke: var(--caution);
    stroke-width: 1;
    opacity: 0.55;
  }
  path[data-chosen] {
    stroke-width: 1.6;
    opacity: 1;
  }
`;

/** A fine thread from where a stroke is awaited to where the one that waits begins. */
export function CueThreads({ layers }: { layers: readonly Layer[] }) {
  const scale = useTimeScale();
  const piece = useEditor((s) => s.piece);
  const chosen = useEditor((s) => s.selection.layers);
  const rowOf = new Map(layers.map((layer, row) => [layer.id, row]));
  const threads = layers.flatMap((layer, row) => {
    if (layer.type !== 'stroke' || !layer.cue) return [];
    const leader = strokeById(piece, layer.cue.to);
    const start = onSpan(layer)?.from;
    const arrival = leader && arrivalFrame(leader, layer.cue.part, layer.cue.at);
    if (!leader || start === undefined || arrival === null || arrival === undefined) return [];
    const [x0, y0] = [xOf(scale, arrival), rowOf.get(leader.id)! * LANE.height + laneY(layer.cue.at)];
    const [x1, y1] = [xOf(scale, start), row * LANE.height + laneY(0)];
    const bend = Math.max(8, Math.abs(y1 - y0) / 4);
    const down = y1 > y0 ? bend : -bend;
    return [
      <path
        key={layer.id}
        data-cue={layer.id}
        data-chosen={chosen.includes(layer.id) || chosen.includes(leader.id) || undefined}
        d={`M${x0} ${y0}C${x0} ${y0 + down} ${x1} ${y1 - down} ${x1} ${y1}`}
      />,
    ];
  });
  return threads.length > 0 ? (
    <Threads width={scale.width} height={layers.length * LANE.height} aria-hidden>
      {threads}
    </Threads>
  ) : null;
}
