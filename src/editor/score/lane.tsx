'use client';
import { memo, useMemo } from 'react';
import {
  keyedSpan,
  sameKey,
  shiftStrokes,
  groupOf,
  type Art,
  type KeyRef,
  type Lettering,
} from '@/core/document';
import { keysOf } from '@/core/timing';
import { editFromBase, select, selectedLayers, useEditor } from '../state';
import { dragFrames } from './drag';
import { APART, envelope, LANE, laneY } from './envelope';
import { KeyBar } from './key-bar';
import type { LaneOwner } from './lane-owner';
import { useTimeScale, xOf } from './time-scale';

/** What is moved in time when the bar of a lane is taken: the selected strokes, each line of strokes as one. */
export function movedOwners(): string[] {
  const state = useEditor.getState();
  return [
    ...new Set(
      selectedLayers(state)
        .filter((layer) => layer.type === 'stroke' && !layer.locked)
        .map((layer) => {
          const group = groupOf(state.piece, layer);
          return group?.line ? group.id : layer.id;
        }),
    ),
  ];
}

/** One stroke over time: its ink envelope, and its keys as bars on it. */
export const Lane = memo(function Lane({
  owner,
  length,
  isSelected,
  keys,
}: {
  owner: LaneOwner;
  length: number;
  isSelected: boolean;
  /** The selected keys of this owner. */
  keys: readonly KeyRef[];
}) {
  const scale = useTimeScale();
  const apart = useEditor((s) => (s.base ? APART.dragged : APART.still));
  const shape = useMemo(() => envelope(scale, owner, length, apart), [scale, owner, length, apart]);
  const span = keyedSpan(owner.keyed);
  return (
    <svg
      width={scale.width}
      height={LANE.height}
      aria-hidden={false}
      style={
        {
          display: 'block',
          opacity: owner.hidden ? 0.35 : 1,
          '--lane-head': isSelected ? 'var(--head)' : 'var(--text)',
          '--lane-tail': isSelected ? 'var(--tail)' : 'var(--quiet)',
        } as React.CSSProperties
      }
    >
      {/* A quiet ground under the colour keeps ink of the panel's own colour visible, in either theme. */}
      <path d={shape.area} fill="var(--quiet)" fillOpacity={0.16} />
      <path d={shape.area} fill={owner.colour} fillOpacity={isSelected ? 0.5 : 0.24} />
      {span && (
        <rect
          x={xOf(scale, span.first)}
          y={0}
          width={Math.max(1, (span.last - span.first) * scale.pixelsPerFrame)}
          height={LANE.height}
          fill="transparent"
          data-bar
          style={{ cursor: owner.locked ? 'default' : 'grab' }}
          onPointerDown={(event) => {
            if (event.button !== 0 || event.shiftKey || event.altKey) return;
            event.stopPropagation();
            const { selection } = useEditor.getState();
            const chosen = owner.layers.every((id) => selection.layers.includes(id));
            select({ layers: chosen ? selection.layers : owner.layers });
            if (owner.locked) return;
            const ids = movedOwners();
            dragFrames(event, [span.first, span.last], [], (by) =>
              editFromBase((p) => shiftStrokes(p, ids, by)),
            );
          }}
        />
      )}
      <path d={shape.tail} fill="none" stroke="var(--lane-tail)" strokeWidth={1.4} pointerEvents="none" />
      <path
        d={shape.head}
        data-line="head"
        fill="none"
        stroke="var(--lane-head)"
        strokeWidth={1.4}
        pointerEvents="none"
      />
      {!owner.led &&
        (['tail', 'head'] as const).flatMap((part) =>
          keysOf(owner.keyed.window[part]).map((_, index) => (
            <KeyBar
              key={`${part}-${index}`}
              owner={owner}
              part={part}
              index={index}
              // On the line that is drawn: pace moves what lies between 0 and 1.
              y={(frame) => laneY(owner.window(frame)[part])}
              fill={part === 'head' ? 'var(--lane-head)' : 'var(--lane-tail)'}
              isSelected={keys.some((key) => sameKey(key, { stroke: owner.id, part, index }))}
            />
          )),
        )}
    </svg>
  );
});

/** The lane of art or lettering: it is there all the time. */
export const ArtLane = memo(function ArtLane({ layer, length }: { layer: Art | Lettering; length: number }) {
  const scale = useTimeScale();
  const [left, right] = [xOf(scale, 0), xOf(scale, length)];
  return (
    <svg
      width={scale.width}
      height={LANE.height}
      style={{ display: 'block', opacity: layer.hidden ? 0.35 : 1 }}
    >
      <rect
        x={left}
        y={LANE.height / 2 - 3}
        width={right - left}
        height={6}
        rx={3}
        fill="var(--quiet)"
        fillOpacity={0.28}
      />
    </svg>
  );
});
