'use client';
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import styled from 'styled-components';
import { boxRule, changeValues, keysAt, retimeKeys, valuesOf, type KeyRef } from '@/core/document';
import { beginDrag, cancelDrag, edit, editFromBase, endDrag, useEditor } from '../state';
import { snapPlaces, snappedBy, useDragShow, type SnapPlace } from './drag';
import { LANE } from './envelope';
import { rowOfKeys, type Row } from './rows';
import { useTimeScale, xOf } from './time-scale';

const Frame = styled.div`
  position: absolute;
  z-index: 2;
  border: 1px dashed var(--head);
  border-radius: 3px;
  pointer-events: none;
`;
const Edge = styled.div`
  position: absolute;
  top: 0;
  bottom: 0;
  width: 9px;
  pointer-events: auto;
  cursor: ew-resize;
  touch-action: none;
  outline: none;
  &::after {
    content: '';
    position: absolute;
    left: 3px;
    top: 50%;
    width: 3px;
    height: min(20px, 90%);
    translate: 0 -50%;
    border-radius: 2px;
    background: var(--head);
  }
  &[data-edge='line']::after {
    background: none;
    border: 1px solid var(--head);
  }
  &:focus-visible::after {
    outline: 2px solid var(--text);
  }
`;
const Level = styled.div`
  position: absolute;
  left: calc(50% - 11px);
  width: 22px;
  height: 8px;
  margin-left: 26px;
  pointer-events: auto;
  cursor: ns-resize;
  touch-action: none;
  outline: none;
  &[data-level='high'] {
    top: -4px;
  }
  &[data-level='low'] {
    bottom: -4px;
  }
  &::after {
    content: '';
    position: absolute;
    inset: 2.5px 2px;
    border-radius: 2px;
    background: var(--tail);
  }
  &:focus-visible::after {
    outline: 2px solid var(--text);
  }
`;

interface Times {
  readonly left: number;
  readonly line: number;
  readonly right: number;
}

type EdgeName = keyof Times;
const WORDS: Record<EdgeName, string> = {
  left: 'First frame of the selected keys',
  line: 'Inner line of the selected keys: what is before it grows quicker or slower than what is after',
  right: 'Last frame of the selected keys',
};
const LEVEL_WORDS = {
  high: 'Greatest value of the selected keys: drag to scale their values',
  low: 'Least value of the selected keys: drag to scale their values',
} as const;
type LevelName = keyof typeof LEVEL_WORDS;

/** Pixels that a level is dragged for the whole height between 0 and 100 %. */
const WHOLE = 100;

/** A box with one edge or its inner line moved; the line keeps its share when an edge moves. */
function moved(from: Times, edge: EdgeName, by: number): Times {
  if (edge === 'line')
    return { ...from, line: Math.min(from.right - 1, Math.max(from.left + 1, from.line + by)) };
  const value =
    edge === 'left' ? Math.min(from.right - 1, from.left + by) : Math.max(from.left + 1, from.right + by);
  const next = { ...from, [edge]: value };
  const share = (from.line - from.left) / (from.right - from.left);
  return { ...next, line: next.left + (next.right - next.left) * share };
}

/** The rule that brings values between two levels between two others. */
function scaled(
  from: { low: number; high: number },
  level: LevelName,
  by: number,
): (value: number) => number {
  const to = { ...from, [level]: from[level] + by };
  const k = from.high > from.low ? (to.high - to.low) / (from.high - from.low) : 0;
  return (value) => {
    const next = from.high > from.low ? to.low + (value - from.low) * k : value + by;
    return Math.round(next * 1e4) / 1e4;
  };
}

/** A box around the selected keys: its sides stretch them in time, its inner line makes one part hurry, its top and foot scale their values. */
export function RetimeBox({ keys, rows }: { keys: readonly KeyRef[]; rows: readonly Row[] }) {
  const scale = useTimeScale();
  const piece = useEditor((s) => s.piece);
  const drag = useRef<{
    edge: EdgeName;
    x: number;
    from: Times;
    to: Times;
    places: readonly SnapPlace[];
  } | null>(null);
  const levelDrag = useRef<{ level: LevelName; y: number; from: { low: number; high: number } } | null>(null);
  const frames = keys.flatMap((ref) => keysAt(piece, ref)[ref.index]?.frame ?? []);
  const [left, right] = [Math.min(...frames), Math.max(...frames)];
  const shown = keys.map((ref) => rowOfKeys(rows, ref.stroke, ref.part)).filter((row) => row >= 0);
  if (frames.length < 2 || left === right || shown.length === 0) return null;
  const [first, last] = [Math.min(...shown), Math.max(...shown)];
  const now: Times = drag.current?.to ?? { left, line: (left + right) / 2, right };
  const values = valuesOf(piece, keys);
  const begin = (event: PointerEvent, edge: EdgeName) => {
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    const places = snapPlaces(piece, useEditor.getState().frame, keys);
    drag.current = { edge, x: event.clientX, from: now, to: now, places };
    beginDrag();
  };
  const move = (event: PointerEvent) => {
    const held = drag.current;
    if (!held) return;
    const raw = (event.clientX - held.x) / scale.pixelsPerFrame;
    const free = event.altKey || held.edge === 'line';
    const { by, snap } = free
      ? { by: Math.round(raw), snap: null }
      : snappedBy(raw, [held.from[held.edge]], held.places, scale.pixelsPerFrame);
    held.to = moved(held.from, held.edge, by);
    const { left: l, line, right: r } = held.to;
    const words =
      held.edge === 'line'
        ? `${Math.round(line - l)} | ${Math.round(r - line)} fr`
        : `${Math.round(r - l)} fr`;
    useDragShow.setState({ words, at: held.to[held.edge], snap });
    const rule = boxRule(held.from, held.to);
    editFromBase((p) => retimeKeys(p, keys, rule));
  };
  const end = () => {
    if (!drag.current && !levelDrag.current) return;
    drag.current = null;
    levelDrag.current = null;
    useDragShow.setState({ words: null, snap: null });
    endDrag();
  };
  const escape = (event: KeyboardEvent) => {
    if (event.key !== 'Escape' || (!drag.current && !levelDrag.current)) return false;
    drag.current = null;
    levelDrag.current = null;
    useDragShow.setState({ words: null, snap: null });
    cancelDrag();
    return true;
  };
  return (
    <Frame
      role="group"
      aria-label="Box around the selected keys"
      data-retime
      style={{
        left: xOf(scale, now.left) - 5,
        width: (now.right - now.left) * scale.pixelsPerFrame + 10,
        top: first * LANE.height,
        height: (last - first + 1) * LANE.height,
      }}
    >
      {(['left', 'line', 'right'] as const).map((edge) => (
        <Edge
          key={edge}
          data-edge={edge}
          role="slider"
          tabIndex={0}
          aria-label={WORDS[edge]}
          aria-valuenow={Math.round(now[edge])}
          title={WORDS[edge]}
          style={{ left: (now[edge] - now.left) * scale.pixelsPerFrame + 0 }}
          onPointerDown={(event) => begin(event, edge)}
          onPointerMove={move}
          onPointerUp={end}
          onPointerCancel={end}
          onKeyDown={(event) => {
            if (escape(event)) return;
            const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
            if (by === undefined) return;
            event.preventDefault();
            event.stopPropagation();
            const rule = boxRule(now, moved(now, edge, by * (event.shiftKey ? 10 : 1)));
            edit((p) => retimeKeys(p, keys, rule), `retime ${edge}`);
          }}
        />
      ))}
      {values &&
        (['high', 'low'] as const).map((level) => (
          <Level
            key={level}
            data-level={level}
            role="slider"
            tabIndex={0}
            aria-label={LEVEL_WORDS[level]}
            aria-valuenow={Math.round(values[level] * 100)}
            title={LEVEL_WORDS[level]}
            onPointerDown={(event) => {
              event.stopPropagation();
              event.currentTarget.setPointerCapture(event.pointerId);
              levelDrag.current = { level, y: event.clientY, from: values };
              beginDrag();
            }}
            onPointerMove={(event) => {
              const held = levelDrag.current;
              if (!held) return;
              const span = Math.max(1, held.from.high - held.from.low);
              const by = Math.round(((held.y - event.clientY) / WHOLE) * span * 100) / 100;
              const rule = scaled(held.from, held.level, by);
              const to = Math.round(rule(held.from[held.level]) * 1000) / 10;
              useDragShow.setState({
                words: span > 1 ? String(to / 100) : `${to} %`,
                at: (now.left + now.right) / 2,
                snap: null,
              });
              editFromBase((p) => changeValues(p, keys, rule));
            }}
            onPointerUp={end}
            onPointerCancel={end}
            onKeyDown={(event) => {
              if (escape(event)) return;
              const by = { ArrowUp: 0.01, ArrowDown: -0.01 }[event.key];
              if (by === undefined) return;
              event.preventDefault();
              event.stopPropagation();
              const rule = scaled(values, level, by * (event.shiftKey ? 10 : 1));
              edit((p) => changeValues(p, keys, rule), `values ${level}`);
            }}
          />
        ))}
    </Frame>
  );
}
