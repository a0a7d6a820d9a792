'use client';
import { memo, useMemo } from 'react';
import {
  asWholes,
  groupOf,
  keyedSpan,
  sameKey,
  shiftStrokes,
  spanOfKeys,
  type KeyRef,
} from '@/core/document';
import { keysOf } from '@/core/timing';
import { editFromBase, isDragged, select, selectedLayers, useEditor } from '../state';
import { dragFrames } from './drag';
import { APART, envelope, laneY } from './envelope';
import { KeyBar } from './key-bar';
import type { LaneOwner } from './lane-owner';
import { useTimeScale, xOf } from './time-scale';

/** What is moved in time when the bar of a lane is taken: what is selected, each line of strokes as one, whole groups with their own keys. */
function movedOwners(): string[] {
  const state = useEditor.getState();
  const free = selectedLayers(state).filter((layer) => !layer.locked);
  const own = free.map((layer) => {
    const group = groupOf(state.piece, layer);
    return layer.type === 'stroke' && group?.line ? group.id : layer.id;
  });
  const wholes = asWholes(
    state.piece,
    free.map((layer) => layer.id),
  );
  return [...new Set([...own, ...wholes])];
}

/** What takes hold of everything keyed in a lane, to move it in time. */
export function SpanBar({ owner, span }: { owner: LaneOwner; span: { first: number; last: number } }) {
  const scale = useTimeScale();
  return (
    <rect
      x={xOf(scale, span.first)}
      y={0}
      width={Math.max(1, (span.last - span.first) * scale.pixelsPerFrame)}
      height={scale.lane}
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
        dragFrames(event, [span.first, span.last], [], (by) => editFromBase((p) => shiftStrokes(p, ids, by)));
      }}
    />
  );
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
  const { window } = owner.keyed;
  const apart = useEditor((s) => (isDragged(s) ? APART.dragged : APART.still));
  const shape = useMemo(() => envelope(scale, owner, length, apart), [scale, owner, length, apart]);
  const span = window ? keyedSpan({ window }) : null;

  return (
    <svg
      width={scale.width}
      height={scale.lane}
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
      {span && <SpanBar owner={owner} span={span} />}
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
          keysOf(window?.[part] ?? 0).map((_, index) => (
            <KeyBar
              key={`${part}-${index}`}
              owner={owner}
              part={part}
              index={index}
              // On the line that is drawn: pace moves what lies between 0 and 1.
              y={(frame) => laneY(scale.lane, owner.window!(frame)[part])}
              fill={part === 'head' ? 'var(--lane-head)' : 'var(--lane-tail)'}
              isSelected={keys.some((key) => sameKey(key, { stroke: owner.id, part, index }))}
            />
          )),
        )}
    </svg>
  );
});

/** The lane of what is there all the time: a bar, thicker where something of it is keyed. */
export const StillLane = memo(function StillLane({
  owner,
  length,
  isGroup,
}: {
  owner: LaneOwner;
  length: number;
  isGroup: boolean;
}) {
  const scale = useTimeScale();
  const [left, right] = [xOf(scale, 0), xOf(scale, length)];
  const span = spanOfKeys(owner.keyed);
  const bar = (x: number, width: number, height: number, opacity: number) => (
    <rect
      x={x}
      y={scale.lane / 2 - height / 2}
      width={width}
      height={height}
      rx={height / 2}
      fill="var(--quiet)"
      fillOpacity={opacity}
    />
  );
  return (
    <svg
      width={scale.width}
      height={scale.lane}
      style={{ display: 'block', opacity: owner.hidden ? 0.35 : 1 }}
    >
      {!isGroup && bar(left, right - left, 6, 0.28)}
      {span &&
        bar(xOf(scale, span.first), Math.max(2, (span.last - span.first) * scale.pixelsPerFrame), 10, 0.4)}
      {span && <SpanBar owner={owner} span={span} />}
    </svg>
  );
});
