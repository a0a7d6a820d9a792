'use client';
import { useRef, type PointerEvent } from 'react';
import styled from 'styled-components';
import { boxRule, retimeKeys, strokeById, type KeyRef } from '@/core/document';
import { keysOf } from '@/core/timing';
import { beginDrag, cancelDrag, edit, editFromBase, endDrag, useEditor } from '../state';
import { LANE } from './envelope';
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

/** A box around the selected keys: its edges stretch them in time, its inner line makes one part hurry. */
export function RetimeBox({ keys }: { keys: readonly KeyRef[] }) {
  const scale = useTimeScale();
  const piece = useEditor((s) => s.piece);
  const drag = useRef<{ edge: EdgeName; x: number; from: Times; to: Times } | null>(null);
  const frames = keys.flatMap((ref) => {
    const stroke = strokeById(piece, ref.stroke);
    return stroke ? (keysOf(stroke.window[ref.part])[ref.index]?.frame ?? []) : [];
  });
  const [left, right] = [Math.min(...frames), Math.max(...frames)];
  if (frames.length < 2 || left === right) return null;
  const rows = keys.map((ref) => piece.layers.findIndex((layer) => layer.id === ref.stroke));
  const [first, last] = [Math.min(...rows), Math.max(...rows)];
  const now: Times = drag.current?.to ?? { left, line: (left + right) / 2, right };
  const moved = (from: Times, edge: EdgeName, by: number): Times => {
    if (edge === 'line') {
      return { ...from, line: Math.min(from.right - 1, Math.max(from.left + 1, from.line + by)) };
    }
    const value =
      edge === 'left' ? Math.min(from.right - 1, from.left + by) : Math.max(from.left + 1, from.right + by);
    const next = { ...from, [edge]: value };
    const share = (from.line - from.left) / (from.right - from.left);
    return { ...next, line: next.left + (next.right - next.left) * share };
  };
  const begin = (event: PointerEvent, edge: EdgeName) => {
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = { edge, x: event.clientX, from: now, to: now };
    beginDrag();
  };
  const move = (event: PointerEvent) => {
    const held = drag.current;
    if (!held) return;
    const by = Math.round((event.clientX - held.x) / scale.pixelsPerFrame);
    held.to = moved(held.from, held.edge, by);
    const rule = boxRule(held.from, held.to);
    editFromBase((p) => retimeKeys(p, keys, rule));
  };
  const end = () => {
    if (!drag.current) return;
    drag.current = null;
    endDrag();
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
            if (event.key === 'Escape' && drag.current) {
              drag.current = null;
              cancelDrag();
              return;
            }
            const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
            if (by === undefined) return;
            event.preventDefault();
            event.stopPropagation();
            const rule = boxRule(now, moved(now, edge, by * (event.shiftKey ? 10 : 1)));
            edit((p) => retimeKeys(p, keys, rule), `retime ${edge}`);
          }}
        />
      ))}
    </Frame>
  );
}
