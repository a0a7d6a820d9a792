import type { DrawItem } from '../draw';
import {
  applyMatrix,
  inverse,
  cubicPoint,
  subCubic,
  type Cubic,
  type Matrix,
  type PathCommand,
  type Point,
} from '../geometry';
import { isRibbon, movedRibbon } from '../ink';
import { stepsIn } from '../numbers';
import type { Field } from './noise';

/** Shares of a grain. A wave four grains long is left by 5 % of its height at the most by straight lines so long, by 0.2 % by curves. */
const LINE = 0.4;
const CURVE = 0.8;
/** Pieces no longer than this are as good as straight, px: a bend of 10 px radius leaves them by 0.2 px at the most. */
const STRAIGHT = 4;
/** What a corner is left out for lies no further from the line instead of it, px. */
const ASIDE = 0.1;
/** Times as far as a shape reached it may reach when it is moved. */
const FURTHER = 1.2;

/** How far a place lies beside the line through two others. */
function beside(p: Point, a: Point, b: Point): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const length = Math.hypot(dx, dy);
  return length > 0
    ? Math.abs((p.x - a.x) * dy - (p.y - a.y) * dx) / length
    : Math.hypot(p.x - a.x, p.y - a.y);
}

/** Takes the places of one line after another: where they lie closer than a step, those that make no difference are left out. */
function thinned(step: number, put: (p: Point) => void) {
  let last: Point = { x: 0, y: 0 };
  let waiting: Point | null = null;
  const flush = (): void => {
    if (waiting) put((last = waiting));
    waiting = null;
  };
  return {
    begin: (p: Point): void => void ((last = p), (waiting = null)),
    add(p: Point): void {
      const near = Math.hypot(p.x - last.x, p.y - last.y) <= step;
      if (waiting && !(near && beside(waiting, last, p) <= ASIDE)) flush();
      waiting = p;
    },
    flush,
  };
}

/** A curve moved by a field: at its ends and at a third and two thirds of the way just as far as the field says. */
function moved(cubic: Cubic, field: Field): PathCommand {
  const [, , x1, y1, x2, y2, x3, y3] = cubic;
  const [d0, d1, d2, d3] = [0, 1 / 3, 2 / 3, 1].map((t) => field(cubicPoint(cubic, t)));
  // The Bézier curve through four values at even places.
  const first = (k: 'x' | 'y'): number => (-5 * d0![k] + 18 * d1![k] - 9 * d2![k] + 2 * d3![k]) / 6;
  const second = (k: 'x' | 'y'): number => (2 * d0![k] - 9 * d1![k] + 18 * d2![k] - 5 * d3![k]) / 6;
  return ['C', x1 + first('x'), y1 + first('y'), x2 + second('x'), y2 + second('y'), x3 + d3!.x, y3 + d3!.y];
}

/** Pieces that one shape is cut into: along 40,000 px they are as short as they should be. */
const MOST_PIECES = 40_000;

/** How long a shape's outline is, by the polygons of its curves, px. */
function lengthOf(path: readonly PathCommand[]): number {
  let sum = 0;
  let [x, y] = [0, 0];
  for (const c of path) {
    if (c[0] === 'Z') continue;
    for (let i = 1; i < c.length; i += 2) {
      const [px, py] = [c[i] as number, c[i + 1] as number];
      if (c[0] !== 'M') sum += Math.hypot(px - x, py - y);
      [x, y] = [px, py];
    }
  }
  return sum;
}

/** Path commands every point of which is moved by a field of a grain, px. */
function warpedCommands(path: readonly PathCommand[], field: Field, grain: number): PathCommand[] {
  const straight = grain * LINE <= STRAIGHT;
  const step = Math.max(grain * (straight ? LINE : CURVE), lengthOf(path) / MOST_PIECES);
  const out: PathCommand[] = [];
  const move = (p: Point): Point => {
    const by = field(p);
    return { x: p.x + by.x, y: p.y + by.y };
  };
  const lines = thinned(step, (p) => {
    const to = move(p);
    out.push(['L', to.x, to.y]);
  });
  let [at, start]: [Point, Point] = [
    { x: 0, y: 0 },
    { x: 0, y: 0 },
  ];
  const curve = (cubic: Cubic, length: number): void => {
    const pieces = stepsIn(length, step, MOST_PIECES);
    if (straight) {
      for (let i = 1; i <= pieces; i++) lines.add(cubicPoint(cubic, i / pieces));
      return;
    }
    for (let i = 0; i < pieces; i++) out.push(moved(subCubic(cubic, i / pieces, (i + 1) / pieces), field));
  };
  const line = (to: Point): void => {
    const third = (k: number): [number, number] => [at.x + (to.x - at.x) * k, at.y + (to.y - at.y) * k];
    const length = Math.hypot(to.x - at.x, to.y - at.y);
    if (length > 0) curve([at.x, at.y, ...third(1 / 3), ...third(2 / 3), to.x, to.y], length);
  };
  for (const c of path) {
    if (c[0] === 'M') {
      lines.flush();
      at = start = { x: c[1], y: c[2] };
      lines.begin(at);
      const to = move(at);
      out.push(['M', to.x, to.y]);
    } else if (c[0] === 'L') {
      const to = { x: c[1], y: c[2] };
      line(to);
      at = to;
    } else if (c[0] === 'C') {
      const [, x1, y1, x2, y2, x, y] = c;
      const length =
        Math.hypot(x1 - at.x, y1 - at.y) + Math.hypot(x2 - x1, y2 - y1) + Math.hypot(x - x2, y - y2);
      curve([at.x, at.y, x1, y1, x2, y2, x, y], length);
      at = { x, y };
    } else {
      line(start);
      lines.flush();
      out.push(['Z']);
      at = start;
      lines.begin(at);
    }
  }
  lines.flush();
  return out;
}

/** A field in the coordinates of a path that is drawn through a matrix. */
function seenThrough(field: Field, m: Matrix): Field {
  const back = inverse(m);
  if (!back) return () => ({ x: 0, y: 0 });
  const turn: Matrix = [back[0], back[1], back[2], back[3], 0, 0];
  return (p) => applyMatrix(turn, field(applyMatrix(m, p)));
}

/** An item all of whose points are moved by a field of a grain, px. */
export function warped(item: DrawItem, field: Field, grain: number): DrawItem {
  if (item.kind === 'group')
    return {
      ...item,
      items: item.items.map((inner) => warped(inner, field, grain)),
    };
  const own = item.kind === 'stroke' && item.transform ? seenThrough(field, item.transform) : field;
  const { colour } = item;
  return {
    ...item,
    path: warpedCommands(item.path, own, grain),
    ...(isRibbon(colour) && { colour: movedRibbon(colour, field, FURTHER) }),
  };
}
