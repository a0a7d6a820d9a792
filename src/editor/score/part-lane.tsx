'use client';
import { memo, useMemo } from 'react';
import { colourAt } from '@/core/colour';
import { partOf, propertyOf, sameKey, type KeyedPart, type KeyRef, type KeyValue } from '@/core/document';
import { keysOf, valueAt, type Animated } from '@/core/timing';
import { columns, PAD } from './envelope';
import { KeyBar } from './key-bar';
import type { LaneOwner } from './lane-owner';
import { frameAt, useTimeScale, xOf } from './time-scale';

/** Colours are read in steps of so many px. */
const STEP = 4;

/** Anything else that is keyed over time: numbers as a line between their least and greatest, colours as themselves. */
export const PartLane = memo(function PartLane({
  owner,
  part,
  length,
  isSelected,
  keys,
}: {
  owner: LaneOwner;
  part: KeyedPart;
  length: number;
  isSelected: boolean;
  keys: readonly KeyRef[];
}) {
  const scale = useTimeScale();
  const value = partOf(owner.keyed, part)!;
  const kind = propertyOf(owner.keyed, part)?.kind;
  const all = keysOf(value as Animated<KeyValue>);
  const drawn = useMemo(() => {
    if (kind === 'colour') {
      const cells = [];
      for (let x = 0; x < scale.width; x += STEP) {
        const frame = frameAt(scale, x);
        if (frame >= 0 && frame <= length - 1)
          cells.push({ x, colour: colourAt(value as Animated<string>, frame) });
      }
      return { cells, path: '', area: '', y: () => scale.lane / 2 };
    }
    if (kind === 'shape') return { cells: [], path: '', area: '', y: () => scale.lane / 2 };
    const number = value as Animated;
    const own = keysOf(number);
    const frames = columns(
      scale,
      own.map((key) => key.frame),
      0,
      length - 1,
    );
    const values = frames.map((frame) => valueAt(number, frame));
    const [low, high] = [Math.min(...values), Math.max(...values)];
    const inner = scale.lane - 2 * PAD;
    const yOf = (v: number): number =>
      high > low ? scale.lane - PAD - ((v - low) / (high - low)) * inner : scale.lane / 2;
    const path =
      frames.length > 1
        ? `M${frames.map((f, i) => `${xOf(scale, f).toFixed(2)} ${yOf(values[i]!).toFixed(2)}`).join('L')}`
        : '';
    // What stands for all of a layer is an area, as ink is.
    const area =
      part === owner.lead && path !== ''
        ? `${path}L${xOf(scale, frames.at(-1)!).toFixed(2)} ${scale.lane - PAD}L${xOf(scale, frames[0]!).toFixed(2)} ${scale.lane - PAD}Z`
        : '';
    return { cells: [], path, area, y: (frame: number) => yOf(valueAt(number, frame)) };
  }, [scale, value, kind, length, part, owner.lead]);
  return (
    <svg
      width={scale.width}
      height={scale.lane}
      style={{ display: 'block', opacity: owner.hidden ? 0.35 : 1 }}
    >
      {drawn.cells.map(({ x, colour }) => (
        <rect key={x} x={x} y={8} width={STEP + 0.5} height={scale.lane - 16} fill={colour} />
      ))}
      <path d={drawn.area} fill={owner.colour} fillOpacity={isSelected ? 0.5 : 0.24} pointerEvents="none" />
      <path
        d={drawn.path}
        fill="none"
        stroke={isSelected ? 'var(--head)' : 'var(--text)'}
        strokeWidth={1.3}
        pointerEvents="none"
      />
      {all.map((_, index) => (
        <KeyBar
          key={index}
          owner={owner}
          part={part}
          index={index}
          y={drawn.y}
          fill={isSelected ? 'var(--head)' : 'var(--text)'}
          isSelected={keys.some((key) => sameKey(key, { stroke: owner.id, part, index }))}
        />
      ))}
    </svg>
  );
});
