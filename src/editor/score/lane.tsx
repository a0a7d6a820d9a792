'use client';
import { memo, useMemo, useRef, type PointerEvent as ReactPointerEvent } from 'react';
import {
  moveKeys,
  shiftStrokes,
  keyedSpan,
  changeKey,
  type Art,
  type KeyRef,
  type Lettering,
  type Stroke,
  markColour,
} from '@/core/document';
import { windowAt } from '@/core/scene';
import { keysOf } from '@/core/timing';
import {
  beginDrag,
  cancelDrag,
  edit,
  editFromBase,
  endDrag,
  select,
  selectedStrokes,
  useEditor,
} from '../state';
import { envelope, LANE, laneY } from './envelope';
import { useTimeScale, xOf } from './time-scale';

const SAME = (a: KeyRef) => (b: KeyRef) => a.stroke === b.stroke && a.part === b.part && a.index === b.index;

/** Follows a drag from its start: whole frames moved, until the pointer is let go or Escape is pressed. */
function dragFrames(event: ReactPointerEvent<Element>, move: (frames: number) => void): void {
  const target = event.currentTarget as SVGElement;
  const from = event.clientX;
  target.setPointerCapture(event.pointerId);
  beginDrag();
  const moved = (e: PointerEvent) =>
    move(Math.round((e.clientX - from) / useTimeScale.getState().pixelsPerFrame));
  const done = () => {
    endDrag();
    stop();
  };
  const escape = (e: KeyboardEvent) => {
    if (e.key !== 'Escape') return;
    e.stopImmediatePropagation();
    cancelDrag();
    stop();
  };
  const stop = () => {
    target.removeEventListener('pointermove', moved as EventListener);
    target.removeEventListener('pointerup', done);
    target.removeEventListener('pointercancel', done);
    window.removeEventListener('keydown', escape, true);
  };
  target.addEventListener('pointermove', moved as EventListener);
  target.addEventListener('pointerup', done);
  target.addEventListener('pointercancel', done);
  window.addEventListener('keydown', escape, true);
}

const percent = (value: number) => `${Math.round(value * 1000) / 10} %`;

function KeyBar({
  stroke,
  part,
  index,
  isSelected,
}: {
  stroke: Stroke;
  part: 'head' | 'tail';
  index: number;
  isSelected: boolean;
}) {
  const scale = useTimeScale();
  /** Taken by the pointer, which chooses by itself: focus then does not. */
  const pointed = useRef(false);
  const key = keysOf(stroke.window[part])[index]!;
  const ref: KeyRef = { stroke: stroke.id, part, index };
  const x = xOf(scale, key.frame);
  // On the line that is drawn: pace moves what lies between 0 and 1.
  const y = laneY(windowAt(stroke, key.frame)[part]);
  const choose = (add: boolean) => {
    const { selection } = useEditor.getState();
    const has = selection.keys.some(SAME(ref));
    const keys = add
      ? has
        ? selection.keys.filter((k) => !SAME(ref)(k))
        : [...selection.keys, ref]
      : has
        ? selection.keys
        : [ref];
    select({
      layers: [...new Set([...(add ? selection.layers : []), ...keys.map((k) => k.stroke)])],
      keys,
    });
    return keys;
  };
  return (
    <g
      role="slider"
      tabIndex={isSelected ? 0 : -1}
      aria-label={`${stroke.name}, ${part} key`}
      aria-valuenow={key.frame}
      aria-valuetext={`frame ${key.frame}, ${percent(key.value)}`}
      data-key={`${part}-${index}`}
      style={{ cursor: stroke.locked ? 'default' : 'ew-resize', outline: 'none' }}
      onPointerDown={(event) => {
        if (event.button !== 0) return;
        event.stopPropagation();
        pointed.current = true;
        (event.currentTarget as SVGGElement).focus({ preventScroll: true });
        pointed.current = false;
        const keys = choose(event.shiftKey);
        if (stroke.locked) return;
        dragFrames(event, (frames) => editFromBase((piece) => moveKeys(piece, keys, frames)));
      }}
      onFocus={() => !isSelected && !pointed.current && choose(false)}
      onKeyDown={(event) => {
        const ten = event.shiftKey ? 10 : 1;
        const sideways = { ArrowLeft: -ten, ArrowRight: ten }[event.key];
        const upward = { ArrowUp: 0.01 * ten, ArrowDown: -0.01 * ten }[event.key];
        const { keys } = useEditor.getState().selection;
        if ((sideways === undefined && upward === undefined) || stroke.locked) return;
        event.preventDefault();
        event.stopPropagation();
        if (sideways !== undefined) edit((piece) => moveKeys(piece, keys, sideways), 'nudge keys');
        else {
          const value = Math.min(1, Math.max(0, Math.round((key.value + upward!) * 1000) / 1000));
          edit((piece) => changeKey(piece, [ref], { value }), 'nudge key value');
        }
      }}
    >
      <rect x={x - 7} y={0} width={14} height={LANE.height} fill="transparent" />
      <rect
        x={x - 2}
        y={y - 3.5}
        width={4}
        height={7}
        rx={1}
        fill={isSelected ? 'var(--text)' : part === 'head' ? 'var(--lane-head)' : 'var(--lane-tail)'}
        stroke={isSelected ? 'var(--head)' : 'var(--ground)'}
        strokeWidth={isSelected ? 1.5 : 0.75}
      />
    </g>
  );
}

/** One stroke over time: its ink envelope, and its keys as bars on it. */
export const Lane = memo(function Lane({
  stroke,
  length,
  isSelected,
  keys,
}: {
  stroke: Stroke;
  length: number;
  isSelected: boolean;
  /** The selected keys of this stroke. */
  keys: readonly KeyRef[];
}) {
  const scale = useTimeScale();
  const shape = useMemo(() => envelope(scale, stroke, length), [scale, stroke, length]);
  const span = keyedSpan(stroke);
  const colour = markColour(stroke.ink);
  return (
    <svg
      width={scale.width}
      height={LANE.height}
      aria-hidden={false}
      style={
        {
          display: 'block',
          opacity: stroke.hidden ? 0.35 : 1,
          '--lane-head': isSelected ? 'var(--head)' : 'var(--text)',
          '--lane-tail': isSelected ? 'var(--tail)' : 'var(--quiet)',
        } as React.CSSProperties
      }
    >
      {/* A quiet ground under the colour keeps ink of the panel's own colour visible, in either theme. */}
      <path d={shape.area} fill="var(--quiet)" fillOpacity={0.16} />
      <path d={shape.area} fill={colour} fillOpacity={isSelected ? 0.5 : 0.24} />
      {span && (
        <rect
          x={xOf(scale, span.first)}
          y={0}
          width={Math.max(1, (span.last - span.first) * scale.pixelsPerFrame)}
          height={LANE.height}
          fill="transparent"
          data-bar
          style={{ cursor: stroke.locked ? 'default' : 'grab' }}
          onPointerDown={(event) => {
            if (event.button !== 0 || event.shiftKey || event.altKey) return;
            event.stopPropagation();
            const { selection } = useEditor.getState();
            const chosen = selection.layers.includes(stroke.id) ? selection.layers : [stroke.id];
            select({ layers: chosen });
            if (stroke.locked) return;
            const free = selectedStrokes(useEditor.getState()).filter((other) => !other.locked);
            const ids = free.map((other) => other.id);
            dragFrames(event, (frames) => editFromBase((piece) => shiftStrokes(piece, ids, frames)));
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
      {(['tail', 'head'] as const).flatMap((part) =>
        keysOf(stroke.window[part]).map((_, index) => (
          <KeyBar
            key={`${part}-${index}`}
            stroke={stroke}
            part={part}
            index={index}
            isSelected={keys.some(SAME({ stroke: stroke.id, part, index }))}
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
