'use client';
import styled from 'styled-components';
import { arrivalFrame, strokeById, strokesOf, tiedMoment } from '@/core/document';
import { useEditor } from '../state';
import { laneY } from './envelope';
import { rowOfLayer, type Row } from './rows';
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

/** A fine thread from where a stroke is awaited to where the one that waits begins (or arrives). */
export function CueThreads({ rows }: { rows: readonly Row[] }) {
  const scale = useTimeScale();
  const piece = useEditor((s) => s.piece);
  const chosen = useEditor((s) => s.selection.layers);
  const threads = strokesOf(piece).flatMap((stroke) => {
    if (!stroke.cue) return [];
    const leader = strokeById(piece, stroke.cue.to);
    const moment = tiedMoment(stroke);
    const arrival = leader ? arrivalFrame(leader, stroke.cue.part, stroke.cue.at) : null;
    if (!leader || moment === null || arrival === null) return [];
    const [from, to] = [rowOfLayer(rows, leader.id), rowOfLayer(rows, stroke.id)];
    if (from < 0 || to < 0 || from === to) return [];
    const [x0, y0] = [xOf(scale, arrival), from * scale.lane + laneY(scale.lane, stroke.cue.at)];
    const [x1, y1] = [
      xOf(scale, moment),
      to * scale.lane + laneY(scale.lane, stroke.cue.ties === 'arrival' ? 1 : 0),
    ];
    const bend = Math.max(8, Math.abs(y1 - y0) / 4);
    const down = y1 > y0 ? bend : -bend;
    return [
      <path
        key={stroke.id}
        data-cue={stroke.id}
        data-chosen={chosen.includes(stroke.id) || chosen.includes(leader.id) || undefined}
        d={`M${x0} ${y0}C${x0} ${y0 + down} ${x1} ${y1 - down} ${x1} ${y1}`}
      />,
    ];
  });
  return threads.length > 0 ? (
    <Threads width={scale.width} height={rows.length * scale.lane} aria-hidden>
      {threads}
    </Threads>
  ) : null;
}
