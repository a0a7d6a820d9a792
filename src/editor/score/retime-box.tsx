'use client';
import { useState, type PointerEvent } from 'react';
import styled from 'styled-components';
import { boxRule, changeValues, keysAt, retimeKeys, valuesOf, type KeyRef } from '@/core/document';
import { clamp } from '@/core/numbers';
import { nudgeKeys } from '@/ui';
import { dragDocument, edit, editFromBase, useEditor } from '../state';
import { snapPlaces, snappedBy, useDragShow } from './drag';
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
  if (edge === 'line') return { ...from, line: clamp(from.line + by, from.left + 1, from.right - 1) };
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
  /** Where the box stands while it is dragged: its inner line is nowhere in the keys. */
  const [dragged, setDragged] = useState<Times | null>(null);
  const frames = keys.flatMap((ref) => keysAt(piece, ref)[ref.index]?.frame ?? []);
  const [left, right] = [Math.min(...frames), Math.max(...frames)];
  const shown = keys.map((ref) => rowOfKeys(rows, ref.stroke, ref.part)).filter((row) => row >= 0);
  if (frames.length < 2 || left === right || shown.length === 0) return null;
  const [first, last] = [Math.min(...shown), Math.max(...shown)];
  const now: Times = dragged ?? { left, line: (left + right) / 2, right };
  const values = valuesOf(piece, keys);
  const ended = () => {
    setDragged(null);
    useDragShow.setState({ words: null, snap: null });
  };
  const dragEdge = (event: PointerEvent, edge: EdgeName) => {
    event.stopPropagation();
    const from = now;
    const places = snapPlaces(piece, useEditor.getState().frame, keys);
    const x = event.clientX;
    const move = (e: globalThis.PointerEvent) => {
      const raw = (e.clientX - x) / scale.pixelsPerFrame;
      const { by, snap } =
        e.altKey || edge === 'line'
          ? { by: Math.round(raw), snap: null }
          : snappedBy(raw, [from[edge]], places, scale.pixelsPerFrame);
      const to = moved(from, edge, by);
      const words =
        edge === 'line'
          ? `${Math.round(to.line - to.left)} | ${Math.round(to.right - to.line)} fr`
          : `${Math.round(to.right - to.left)} fr`;
      setDragged(to);
      useDragShow.setState({ words, at: to[edge], snap });
      const rule = boxRule(from, to);
      editFromBase((p) => retimeKeys(p, keys, rule));
    };
    dragDocument(event, { move, ended });
  };
  const dragLevel = (event: PointerEvent, level: LevelName, from: { low: number; high: number }) => {
    event.stopPropagation();
    const y = event.clientY;
    const span = Math.max(1, from.high - from.low);
    const move = (e: globalThis.PointerEvent) => {
      const by = Math.round(((y - e.clientY) / WHOLE) * span * 100) / 100;
      const rule = scaled(from, level, by);
      const to = Math.round(rule(from[level]) * 1000) / 10;
      const words = span > 1 ? String(to / 100) : `${to} %`;
      useDragShow.setState({ words, at: (now.left + now.right) / 2, snap: null });
      editFromBase((p) => changeValues(p, keys, rule));
    };
    dragDocument(event, { move, ended });
  };
  return (
    <Frame
      role="group"
      aria-label="Box around the selected keys"
      data-retime
      style={{
        left: xOf(scale, now.left) - 5,
        width: (now.right - now.left) * scale.pixelsPerFrame + 10,
        top: first * scale.lane,
        height: (last - first + 1) * scale.lane,
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
          onPointerDown={(event) => dragEdge(event, edge)}
          onKeyDown={nudgeKeys({
            along(by) {
              const rule = boxRule(now, moved(now, edge, by));
              edit((p) => retimeKeys(p, keys, rule), `retime ${edge}`);
            },
          })}
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
            onPointerDown={(event) => dragLevel(event, level, values)}
            onKeyDown={nudgeKeys({
              upward(by) {
                const rule = scaled(values, level, by / 100);
                edit((p) => changeValues(p, keys, rule), `values ${level}`);
              },
            })}
          />
        ))}
    </Frame>
  );
}
