import type { DrawItem } from '../draw';
import {
  applyMatrix,
  inverse,
  subCubic,
  type Cubic,
  type Matrix,
  type PathCommand,
  type Point,
} from '../geometry';
import { RIB, type ColourRibbon } from '../ink';
import type { Items } from './effect';
import type { Field } from './noise';

/** Path commands cut into pieces no longer than a step, every point moved by a field. */
export function warpedCommands(path: readonly PathCommand[], field: Field, step: number): PathCommand[] {
  const out: PathCommand[] = [];
  const move = (p: Point): Point => {
    const by = field(p);
    return { x: p.x + by.x, y: p.y + by.y };
  };
  let [at, start]: [Point, Point] = [
    { x: 0, y: 0 },
    { x: 0, y: 0 },
  ];
  const curve = (cubic: Cubic, length: number): void => {
    const pieces = Math.min(400, Math.max(1, Math.ceil(length / step)));
    for (let i = 0; i < pieces; i++) {
      const [, , x1, y1, x2, y2, x3, y3] = subCubic(cubic, i / pieces, (i + 1) / pieces);
      const [a, b, c] = [move({ x: x1, y: y1 }), move({ x: x2, y: y2 }), move({ x: x3, y: y3 })];
      out.push(['C', a.x, a.y, b.x, b.y, c.x, c.y]);
    }
  };
  const line = (to: Point): void => {
    const third = (k: number): [number, number] => [at.x + (to.x - at.x) * k, at.y + (to.y - at.y) * k];
    const length = Math.hypot(to.x - at.x, to.y - at.y);
    if (length > 0) curve([at.x, at.y, ...third(1 / 3), ...third(2 / 3), to.x, to.y], length);
  };
  for (const c of path) {
    if (c[0] === 'M') {
      at = start = { x: c[1], y: c[2] };
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
      out.push(['Z']);
      at = start;
    }
  }
  return out;
}

function warpedRibbon(ribbon: ColourRibbon, field: Field): ColourRibbon {
  const ribs = [...ribbon.ribs];
  for (let i = 0; i < ribs.length; i += RIB.size) {
    const by = field({ x: ribs[i + RIB.x]!, y: ribs[i + RIB.y]! });
    ribs[i + RIB.x] = ribs[i + RIB.x]! + by.x;
    ribs[i + RIB.y] = ribs[i + RIB.y]! + by.y;
  }
  return { ...ribbon, ribs, reach: ribbon.reach * 1.2 };
}

/** A field in the coordinates of a path that is drawn through a matrix. */
function seenThrough(field: Field, m: Matrix): Field {
  const back = inverse(m);
  if (!back) return () => ({ x: 0, y: 0 });
  const turn: Matrix = [back[0], back[1], back[2], back[3], 0, 0];
  return (p) => applyMatrix(turn, field(applyMatrix(m, p)));
}

/** Items all of whose points are moved by a field. */
export const warped = (items: Items, field: Field, step: number): Items =>
  items.map((item): DrawItem => {
    if (item.kind === 'group')
      return {
        ...item,
        items: warped(item.items, field, step),
        ...(item.ground && { ground: warpedRibbon(item.ground, field) }),
      };
    const own = item.kind === 'stroke' && item.transform ? seenThrough(field, item.transform) : field;
    return { ...item, path: warpedCommands(item.path, own, step) };
  });
