'use client';
import { useRef } from 'react';
import {
  changeKey,
  keysAt,
  layersOf,
  moveKeys,
  partOf,
  propertyOf,
  sameKey,
  type KeyRef,
} from '@/core/document';
import { clamp } from '@/core/numbers';
import { keysOf, type Animated } from '@/core/timing';
import { arrowSteps, keepEvent, openContextMenu } from '@/ui';
import { selectionEntries } from '../menus';
import { edit, editFromBase, select, showFrame, useEditor } from '../state';
import { dragFrames } from './drag';
import { travel } from './key-travel';
import type { LaneOwner } from './lane-owner';
import { partName, partWords } from '../properties';
import { useTimeScale, xOf } from './time-scale';

/** A key as a small upright bar, at a height of its lane. */
export function KeyBar({
  owner,
  part,
  index,
  y,
  fill,
  isSelected,
}: {
  owner: LaneOwner;
  part: string;
  index: number;
  /** px from the top of the lane, for a frame. */
  y: (frame: number) => number;
  fill: string;
  isSelected: boolean;
}) {
  const scale = useTimeScale();
  /** Taken by the pointer, which chooses by itself: focus then does not. */
  const pointed = useRef(false);
  const ref: KeyRef = { stroke: owner.id, part, index };
  const all = keysOf(partOf(owner.keyed, part) as Animated<number | string>);
  const key = all[index];
  if (!key) return null;
  const x = xOf(scale, key.frame);
  const top = y(key.frame);
  const choose = (add: boolean) => {
    const { selection } = useEditor.getState();
    const has = selection.keys.some((other) => sameKey(other, ref));
    const keys = add
      ? has
        ? selection.keys.filter((other) => !sameKey(other, ref))
        : [...selection.keys, ref]
      : has
        ? selection.keys
        : [ref];
    const bearing = keys.flatMap((one) => layersOf(useEditor.getState().piece, one.stroke));
    select({ layers: [...new Set([...(add ? selection.layers : []), ...bearing])], keys });
    return keys;
  };
  return (
    <g
      role="slider"
      tabIndex={isSelected ? 0 : -1}
      aria-label={`${owner.name}, ${partName(owner.keyed, part).toLowerCase()} key ${index + 1} of ${all.length}`}
      aria-valuenow={key.frame}
      aria-valuetext={`frame ${key.frame}, ${partWords(owner.keyed, part, key.value)}`}
      data-key={`${part}-${index}`}
      style={{ cursor: owner.locked ? 'default' : 'ew-resize', outline: 'none' }}
      onPointerDown={(event) => {
        if (event.button !== 0) return;
        event.stopPropagation();
        pointed.current = true;
        event.currentTarget.focus({ preventScroll: true });
        pointed.current = false;
        const keys = choose(event.shiftKey);
        if (owner.locked) return;
        const { piece } = useEditor.getState();
        const frames = keys.flatMap((one) => keysAt(piece, one)[one.index]?.frame ?? []);
        dragFrames(event, [key.frame, ...frames], keys, (by) => editFromBase((p) => moveKeys(p, keys, by)));
      }}
      onContextMenu={(event) => {
        event.stopPropagation();
        if (!isSelected) choose(false);
        openContextMenu(event, 'Keys', selectionEntries());
      }}
      onFocus={() => !isSelected && !pointed.current && choose(false)}
      onKeyDown={(event) => {
        const goes = travel(event, event.currentTarget);
        if (event.key === 'Enter') showFrame(key.frame);
        if (goes || event.key === 'Enter') {
          keepEvent(event);
          return;
        }
        const steps = arrowSteps(event);
        const { keys } = useEditor.getState().selection;
        if (!steps || owner.locked || event.altKey) return;
        keepEvent(event);
        if (steps.x !== 0) edit((piece) => moveKeys(piece, keys, steps.x), 'nudge keys');
        else if (typeof key.value === 'number') {
          const { step, usual } = propertyOf(owner.keyed, part)!;
          const next = Math.round((key.value + steps.y * step) * 1e6) / 1e6;
          const value = clamp(next, usual[0], usual[1]);
          edit((piece) => changeKey(piece, [ref], { value }), 'nudge key value');
        }
      }}
    >
      <rect x={x - 7} y={0} width={14} height={scale.lane} fill="transparent" />
      <rect
        x={x - 2}
        y={top - 3.5}
        width={4}
        height={7}
        rx={1}
        fill={isSelected ? 'var(--text)' : fill}
        stroke={isSelected ? 'var(--head)' : 'var(--ground)'}
        strokeWidth={isSelected ? 1.5 : 0.75}
      />
    </g>
  );
}
