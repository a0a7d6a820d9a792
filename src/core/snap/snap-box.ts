import type { Bounds, Point } from '../geometry';
import type { Snapped, SnapTargets } from './snap';

/** What a box on the move can be drawn to. */
export interface BoxTargets {
  readonly boxes: readonly Bounds[];
  readonly lines: SnapTargets['lines'];
}

interface Found {
  /** What the box is moved by along the axis, px. */
  readonly by: number;
  readonly says: string;
  /** The places that are in line, or the ends of equal gaps, along the axis. */
  readonly at: readonly number[];
}

type Axis = 'x' | 'y';
interface Span {
  readonly from: number;
  readonly to: number;
}

const span = (box: Bounds, axis: Axis): Span =>
  axis === 'x' ? { from: box.left, to: box.right } : { from: box.top, to: box.bottom };
const across = (axis: Axis): Axis => (axis === 'x' ? 'y' : 'x');
const meets = (a: Span, b: Span): boolean => a.from < b.to && b.from < a.to;

/** Sides and middle of the box to those of others and to lines. */
function inLine(box: Bounds, { boxes, lines }: BoxTargets, axis: Axis): Found[] {
  const { from, to } = span(box, axis);
  const own = [from, (from + to) / 2, to];
  const names = axis === 'x' ? ['left', 'centre', 'right'] : ['top', 'middle', 'bottom'];
  const found: Found[] = [];
  for (const line of lines)
    if (line.axis === axis)
      for (const mine of own) found.push({ by: line.at - mine, says: line.says, at: [line.at] });
  for (const other of boxes) {
    const { from: a, to: b } = span(other, axis);
    const theirs = [a, (a + b) / 2, b];
    for (const mine of own)
      theirs.forEach((at, i) => found.push({ by: at - mine, says: `${names[i]} of another`, at: [at] }));
  }
  return found;
}

/** The box between, before or after two others in its row, with the same gap on both sides. */
function equalGaps(box: Bounds, { boxes }: BoxTargets, axis: Axis): Found[] {
  const own = span(box, axis);
  const size = own.to - own.from;
  const row = boxes
    .filter((other) => meets(span(other, across(axis)), span(box, across(axis))))
    .map((other) => span(other, axis))
    .sort((a, b) => a.from - b.from);
  const found: Found[] = [];
  for (let i = 0; i < row.length; i++) {
    for (let k = i + 1; k < row.length; k++) {
      const [a, b] = [row[i]!, row[k]!];
      const room = b.from - a.to;
      if (room < 0) continue;
      const says = 'equal gaps';
      if (room >= size) {
        const from = a.to + (room - size) / 2;
        found.push({ by: from - own.from, says, at: [a.to, from, from + size, b.from] });
      }
      const after = b.to + room;
      found.push({ by: after - own.from, says, at: [a.to, b.from, b.to, after] });
      const before = a.from - room;
      found.push({ by: before - own.to, says, at: [before, a.from, a.to, b.from] });
    }
  }
  return found;
}

const nearest = (all: readonly Found[], reach: number): Found | null =>
  all.reduce<Found | null>(
    (best, one) =>
      Math.abs(one.by) <= reach && (!best || Math.abs(one.by) < Math.abs(best.by)) ? one : best,
    null,
  );

/**
 * Draws a box on the move to what lies within reach, each axis by itself: its sides and middle to lines and to those of other
 * boxes, or to where the gaps to its neighbours are equal.
 * @returns what it is moved by, with the lines that show why; null where nothing lies near.
 */
export function snapBox(
  box: Bounds,
  targets: BoxTargets,
  reach: number,
  size: { width: number; height: number },
): { readonly by: Point; readonly snap: Snapped } | null {
  const [x, y] = (['x', 'y'] as const).map((axis) =>
    nearest([...inLine(box, targets, axis), ...equalGaps(box, targets, axis)], reach),
  ) as [Found | null, Found | null];
  if (!x && !y) return null;
  const by = { x: x?.by ?? 0, y: y?.by ?? 0 };
  const middle = {
    x: (box.left + box.right) / 2 + by.x,
    y: (box.top + box.bottom) / 2 + by.y,
  };
  const hairlines: [Point, Point][] = [];
  const draw = (found: Found | null, axis: Axis): void => {
    if (!found) return;
    if (found.at.length === 1) {
      const at = found.at[0]!;
      hairlines.push(
        axis === 'x'
          ? [
              { x: at, y: 0 },
              { x: at, y: size.height },
            ]
          : [
              { x: 0, y: at },
              { x: size.width, y: at },
            ],
      );
      return;
    }
    // Two gaps, each as a line of its own through the middle of the box.
    for (const [a, b] of [found.at.slice(0, 2), found.at.slice(2)] as [number, number][])
      hairlines.push(
        axis === 'x'
          ? [
              { x: a, y: middle.y },
              { x: b, y: middle.y },
            ]
          : [
              { x: middle.x, y: a },
              { x: middle.x, y: b },
            ],
      );
  };
  draw(x, 'x');
  draw(y, 'y');
  const says = [...new Set([x?.says, y?.says].filter(Boolean))].join(', ');
  return { by, snap: { point: middle, says, hairlines } };
}
