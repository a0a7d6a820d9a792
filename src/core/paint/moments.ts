import { stepsIn } from '../numbers';
import { changedBounds, itemBounds, strokeReach, type DrawItem } from '../draw';
import { cubicPoint, unite, type Bounds, type Cubic, type PathCommand, type Point } from '../geometry';
import type { MakeCanvas, PaintContext } from './context';
import { giveBack, takeLayer, type Layer } from './layers';
import { pixelsOf } from './pixels';

/** Width of the columns in which ink is looked for, canvas px. */
const COLUMN = 128;
/** One curve is looked at in so many places at the most: a longer one lies mostly beyond any picture. */
const MOST_PLACES = 2048;
/** Curves are looked at in so many places for every column they may cross. */
const PLACES = 8;

type Put = (item: DrawItem, context: PaintContext) => void;
type Transform = ReturnType<PaintContext['getTransform']>;

/** From where to where each column of a box may hold ink, canvas px. */
type Columns = { top: number; bottom: number }[];

/** Marks the columns that a path may ink, `reach` px about it; between its lines all counts as inked. */
function markPath(
  columns: Columns,
  path: readonly PathCommand[],
  reach: number,
  { a, d, e, f }: Transform,
  left: number,
): void {
  const mark = (x: number, y: number, about: number): void => {
    const from = Math.max(0, Math.floor((x - about - left) / COLUMN));
    const to = Math.min(columns.length - 1, Math.floor((x + about - left) / COLUMN));
    for (let i = from; i <= to; i++) {
      const column = columns[i]!;
      column.top = Math.min(column.top, y - about);
      column.bottom = Math.max(column.bottom, y + about);
    }
  };
  const curve = (cubic: Cubic): void => {
    const [x0, y0, x1, y1, x2, y2, x3, y3] = cubic;
    const length = Math.hypot(x1 - x0, y1 - y0) + Math.hypot(x2 - x1, y2 - y1) + Math.hypot(x3 - x2, y3 - y2);
    const pieces = stepsIn(length * PLACES, COLUMN, MOST_PLACES);
    // A Bézier curve goes from one place to the next by no more than three times its polygon's share.
    const about = reach + (1.5 * length) / pieces;
    for (let i = 0; i <= pieces; i++) {
      const { x, y } = cubicPoint(cubic, i / pieces);
      mark(x, y, about);
    }
  };
  const put = (x: number, y: number): Point => ({ x: x * a + e, y: y * d + f });
  const markStraight = (p: Point, q: Point): void => curve([p.x, p.y, p.x, p.y, q.x, q.y, q.x, q.y]);
  let at = put(0, 0);
  let start = at;
  for (const c of path) {
    if (c[0] === 'M') {
      // A fill goes back to where its line began, also where nothing says so.
      markStraight(at, start);
      at = start = put(c[1], c[2]);
      mark(at.x, at.y, reach);
    } else if (c[0] === 'Z') {
      markStraight(at, start);
      at = start;
    } else {
      const to = put(c.at(-2) as number, c.at(-1) as number);
      if (c[0] === 'L') markStraight(at, to);
      else {
        const [p, q] = [put(c[1], c[2]), put(c[3], c[4])];
        curve([at.x, at.y, p.x, p.y, q.x, q.y, to.x, to.y]);
      }
      at = to;
    }
  }
  markStraight(at, start);
}

/** Marks the columns that an item may ink. */
function markItem(columns: Columns, item: DrawItem, transform: Transform, left: number): void {
  if (item.kind === 'group') {
    if (!item.filters) for (const inner of item.items) markItem(columns, inner, transform, left);
    else markBox(columns, itemBounds(item), transform);
  } else if (item.kind === 'stroke' && item.transform) markBox(columns, itemBounds(item), transform);
  else {
    const reach = (item.kind === 'stroke' ? strokeReach(item) : 0) * transform.a + 1;
    markPath(columns, item.path, reach, transform, left);
  }
}

function markBox(columns: Columns, box: Bounds | null, { d, f }: Transform): void {
  if (!box) return;
  for (const column of columns) {
    column.top = Math.min(column.top, box.top * d + f);
    column.bottom = Math.max(column.bottom, box.bottom * d + f);
  }
}

/** Boxes of whole pixels that hold all ink of an item within a box, side by side. */
function inkedBoxes(item: DrawItem, box: Bounds, transform: Transform): Bounds[] {
  const columns: Columns = Array.from({ length: Math.ceil((box.right - box.left) / COLUMN) }, () => ({
    top: Infinity,
    bottom: -Infinity,
  }));
  markItem(columns, item, transform, box.left);
  return columns.flatMap(({ top, bottom }, i) => {
    const left = box.left + i * COLUMN;
    const one = {
      left,
      top: Math.max(box.top, Math.floor(top) - 1),
      right: Math.min(box.right, left + COLUMN),
      bottom: Math.min(box.bottom, Math.ceil(bottom) + 1),
    };
    return one.top < one.bottom ? [one] : [];
  });
}

/**
 * Moments of the same thing summed onto a layer, an even share of each: premultiplied, in sums of 22 bits a channel, so that
 * nothing is rounded before the end. Where they are all alike the first of them stands for all.
 */
export function sumMoments(moments: readonly DrawItem[], layer: Layer, make: MakeCanvas, put: Put): void {
  const [first] = moments;
  if (!first) return;
  const { context } = layer;
  const transform = context.getTransform();
  put(first, context);
  const changed = pixelsOf(
    unite(moments.flatMap((moment) => changedBounds(first, moment) ?? [])),
    transform,
    { left: 0, top: 0, right: layer.width, bottom: layer.height },
  );
  if (!changed) return;
  const [width, height] = [changed.right - changed.left, changed.bottom - changed.top];
  const sums = new Uint32Array(width * height * 4);
  const one = takeLayer(make, width, height);
  const { a, d } = transform;
  const there = { a, d, e: transform.e - changed.left, f: transform.f - changed.top };
  const box = { left: 0, top: 0, right: width, bottom: height };
  for (const moment of moments) {
    one.context.setTransform(1, 0, 0, 1, 0, 0);
    one.context.clearRect(0, 0, width, height);
    one.context.setTransform(a, 0, 0, d, there.e, there.f);
    put(moment, one.context);
    for (const { left, top, right, bottom } of inkedBoxes(moment, box, there)) {
      const { data } = one.context.getImageData(left, top, right - left, bottom - top);
      for (let y = top, i = 0; y < bottom; y++)
        for (let k = (y * width + left) * 4, end = (y * width + right) * 4; k < end; k += 4, i += 4) {
          const alpha = data[i + 3]!;
          if (alpha === 0) continue;
          sums[k] = sums[k]! + data[i]! * alpha;
          sums[k + 1] = sums[k + 1]! + data[i + 1]! * alpha;
          sums[k + 2] = sums[k + 2]! + data[i + 2]! * alpha;
          sums[k + 3] = sums[k + 3]! + alpha;
        }
    }
  }
  giveBack(make, one);
  const image = context.createImageData(width, height);
  const { data } = image;
  for (let i = 0; i < sums.length; i += 4) {
    const alpha = sums[i + 3]!;
    if (alpha === 0) continue;
    for (let k = 0; k < 3; k++) data[i + k] = Math.round(sums[i + k]! / alpha);
    data[i + 3] = Math.round(alpha / moments.length);
  }
  context.putImageData(image, changed.left, changed.top);
}
