import {
  commandsBounds,
  distanceToStretch,
  simplifiedPoints,
  type Bounds,
  type PathCommand,
} from '../geometry';
import { contours, HALF, type Mask } from '../mask';
import { inside, ringsOf, rowsOf } from './outline-rings';
import { reaching, type Places } from './pen-places';

/** Nodes of the grid that is laid over a letter, on its longer side at the most, and how near they are to one another at the least, px. */
const NODES = 160;
const FINEST = 1;
/**
 * Where two strokes meet both show this much of what lies between them, px or nodes of the grid: so no edge of one ever
 * lies on an edge of the other, and what they uncover together has no seam.
 */
const SHARED = 1.5;
/** The line of a letter counts this much wider than it is under its stroke, px: its middle is not found to the last of them. */
const SLACK = 1;
/** What is held out is no smaller, square px: less is not seen. */
const SMALLEST = 2;
/** An outline of what is held out may be off by so much, px. */
const TOLERANCE = 0.2;
/** Nodes so many steps beside two pens are looked at too: an outline has to end somewhere outside them. */
const BESIDE = 2;
/** The grid of a letter: `x` and `y` of node (0, 0), and how far its nodes are apart, px. */
interface Grid {
  readonly x: number;
  readonly y: number;
  readonly step: number;
  readonly width: number;
  readonly height: number;
}

function gridOver({ left, top, right, bottom }: Bounds): Grid {
  const step = Math.max(FINEST, Math.max(right - left, bottom - top) / NODES);
  return {
    x: left - step,
    y: top - step,
    step,
    width: Math.ceil((right - left) / step) + 3,
    height: Math.ceil((bottom - top) / step) + 3,
  };
}

/** Nodes of a grid: which, and where they lie. */
interface Nodes {
  readonly at: readonly number[];
  readonly x: readonly number[];
  readonly y: readonly number[];
}

/** The nodes that lie under more than one pen, or beside such a one. */
function nodesUnderTwo(pens: readonly Places[], { x, y, step, width, height }: Grid): Nodes {
  const by = new Int16Array(width * height).fill(-1);
  const two = new Uint8Array(width * height);
  for (const [k, pen] of pens.entries()) {
    for (let p = 0; p < pen.length; p += 3) {
      const px = (pen[p]! - x) / step;
      const py = (pen[p + 1]! - y) / step;
      const half = pen[p + 2]! / step + BESIDE;
      for (let j = Math.max(0, Math.ceil(py - half)); j <= Math.min(height - 1, py + half); j++) {
        const across = Math.sqrt(Math.max(0, half * half - (j - py) * (j - py)));
        for (let i = Math.max(0, Math.ceil(px - across)); i <= Math.min(width - 1, px + across); i++) {
          const at = j * width + i;
          if (by[at] === -1) by[at] = k;
          else if (by[at] !== k) two[at] = 1;
        }
      }
    }
  }
  const at: number[] = [];
  two.forEach((is, i) => is === 1 && at.push(i));
  return {
    at,
    x: at.map((i) => x + (i % width) * step),
    y: at.map((i) => y + Math.floor(i / width) * step),
  };
}

/** Half the width of a letter's line at each place of a pen; none where the place lies beside the letter. */
function halvesOf(pen: Places, rings: readonly number[][], box: Bounds): Float64Array {
  const rows = rowsOf(rings, box);
  const halves = new Float64Array(pen.length / 3);
  for (let p = 0; p < pen.length; p += 3) {
    const place = { x: pen[p]!, y: pen[p + 1]! };
    if (!inside(rows, place.x, place.y)) continue;
    let least = Infinity;
    for (const ring of rings) {
      let a = { x: ring[ring.length - 2]!, y: ring[ring.length - 1]! };
      for (let r = 0; r < ring.length; r += 2) {
        const b = { x: ring[r]!, y: ring[r + 1]! };
        least = Math.min(least, distanceToStretch(place, a, b));
        a = b;
      }
    }
    halves[p / 3] = least;
  }
  return halves;
}

/** How far some nodes lie from a stroke: from its middle line, and beyond its pen and its line of the letter (less than 0 within). */
interface Field {
  readonly near: Float64Array;
  readonly beyondPen: Float64Array;
  readonly beyondLine: Float64Array;
}

function fieldOf(pen: Places, halves: Float64Array, nodes: Nodes): Field {
  const count = nodes.at.length;
  const near = new Float64Array(count).fill(Infinity);
  const beyondPen = new Float64Array(count).fill(Infinity);
  const beyondLine = new Float64Array(count).fill(Infinity);
  for (let n = 0; n < count; n++) {
    const x = nodes.x[n]!;
    const y = nodes.y[n]!;
    let least = Infinity;
    let leastPen = Infinity;
    let leastLine = Infinity;
    for (let p = 0, i = 0; p < pen.length; p += 3, i++) {
      const dx = pen[p]! - x;
      const dy = pen[p + 1]! - y;
      const square = dx * dx + dy * dy;
      const half = pen[p + 2]!;
      const line = halves[i]! + SLACK;
      const toPen = leastPen + half;
      const toLine = leastLine + line;
      // The root is only asked for where it makes a difference.
      if (
        square >= least &&
        (toPen <= 0 || square >= toPen * toPen) &&
        (toLine <= 0 || square >= toLine * toLine)
      )
        continue;
      const d = Math.sqrt(square);
      least = Math.min(least, square);
      leastPen = Math.min(leastPen, d - half);
      leastLine = Math.min(leastLine, d - line);
    }
    near[n] = Math.sqrt(least);
    beyondPen[n] = leastPen;
    beyondLine[n] = leastLine;
  }
  return { near, beyondPen, beyondLine };
}

/**
 * What each of a letter's strokes must leave to the others: what lies nearer to another that covers it, and not in its own
 * line. All lengths seen from the letter.
 * @param covers which of the strokes cover all along their paths.
 */
export function leftToOthers(
  outline: readonly PathCommand[],
  pens: readonly Places[],
  covers: readonly boolean[],
): (readonly PathCommand[] | null)[] {
  const none = pens.map(() => null);
  const box = commandsBounds(outline);
  if (!box) return none;
  const grid = gridOver(box);
  const nodes = nodesUnderTwo(pens, grid);
  if (nodes.at.length === 0) return none;
  const around = {
    left: Math.min(...nodes.x),
    top: Math.min(...nodes.y),
    right: Math.max(...nodes.x),
    bottom: Math.max(...nodes.y),
  };
  const rings = ringsOf(outline);
  const rows = rowsOf(rings, box);
  // A place whose pen is not there has no say there.
  const fields = pens.map((all) => {
    const pen = reaching(all, around, BESIDE * grid.step);
    return fieldOf(pen, halvesOf(pen, rings, box), nodes);
  });
  const shared = SHARED * Math.max(1, grid.step);
  return pens.map((_, k) => {
    const own = fields[k]!;
    const data = new Uint8Array(grid.width * grid.height);
    let area = 0;
    for (const [n, at] of nodes.at.entries()) {
      let most = -Infinity;
      for (const [j, other] of fields.entries()) {
        if (j === k || !covers[j]) continue;
        most = Math.max(most, Math.min(own.near[n]! - other.near[n]!, -other.beyondPen[n]!) - shared);
      }
      const deep = Math.min(most, own.beyondLine[n]!);
      data[at] = Math.min(255, Math.max(0, Math.round(HALF + deep * 16)));
      if (deep > 0 && own.beyondPen[n]! <= 0 && inside(rows, nodes.x[n]!, nodes.y[n]!))
        area += grid.step * grid.step;
    }
    return area < SMALLEST ? null : outlineOf({ width: grid.width, height: grid.height, data }, grid);
  });
}

/** What of a grid is held out, as an outline of straight lines. */
function outlineOf(mask: Mask, { x, y, step }: Grid): PathCommand[] {
  return contours(mask).flatMap((ring): PathCommand[] => {
    // The middle of pixel 0 is node 0.
    const all = ring.x.map((u, i) => ({ x: x + (u - 0.5) * step, y: y + (ring.y[i]! - 0.5) * step }));
    const points = simplifiedPoints([...all, all[0]!], TOLERANCE).slice(0, -1);
    return points.length < 3
      ? []
      : [...points.map((p, i): PathCommand => [i === 0 ? 'M' : 'L', p.x, p.y]), ['Z']];
  });
}
