'use client';
import { memo, useMemo } from 'react';
import { keyedSpan, type Layer } from '@/core/document';
import { isDragged, useEditor } from '../state';
import { APART, envelope } from './envelope';
import { SpanBar } from './lane';
import { layerOwner, type LaneOwner } from './lane-owner';
import { useTimeScale } from './time-scale';

/** The envelopes of more strokes than this are drawn with fewer places. */
const DENSE = 24;

/** A closed group over time: the ink of all its strokes, one over another, taken hold of as one. */
export const ClosedLane = memo(function ClosedLane({
  owner,
  members,
  length,
  isSelected,
}: {
  owner: LaneOwner;
  members: readonly Layer[];
  length: number;
  isSelected: boolean;
}) {
  const scale = useTimeScale();
  const dragged = useEditor(isDragged);
  const apart = dragged || members.length > DENSE ? APART.dragged : APART.still;
  const inks = useMemo(
    () =>
      members.map((layer) => {
        const own = layerOwner(layer, false);
        return { id: layer.id, colour: own.colour, ...envelope(scale, own, length, apart) };
      }),
    [members, scale, length, apart],
  );
  const spans = members.flatMap((layer) => (layer.type === 'stroke' ? (keyedSpan(layer) ?? []) : []));
  const span =
    spans.length > 0
      ? { first: Math.min(...spans.map((s) => s.first)), last: Math.max(...spans.map((s) => s.last)) }
      : null;
  return (
    <svg
      width={scale.width}
      height={scale.lane}
      style={{ display: 'block', opacity: owner.hidden ? 0.35 : 1 }}
    >
      {inks.map(({ id, colour, area, head }) => (
        <g key={id} pointerEvents="none">
          <path d={area} fill="var(--quiet)" fillOpacity={0.1} />
          <path d={area} fill={colour} fillOpacity={isSelected ? 0.3 : 0.16} />
          <path
            d={head}
            fill="none"
            stroke={isSelected ? 'var(--head)' : 'var(--text)'}
            strokeOpacity={0.7}
            strokeWidth={1}
          />
        </g>
      ))}
      {span && <SpanBar owner={owner} span={span} />}
    </svg>
  );
});
