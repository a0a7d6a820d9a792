import type { Stroke } from '../document';
import { kept } from '../draw';
import {
  commandsBounds,
  distanceToStretch,
  measurePath,
  pointAtLength,
  simplifiedPoints,
  transformCommands,
  translation,
  type Bounds,
  type PathCommand,
  type Point,
} from '../geometry';
import { penWidth } from '../ink';
import { contours, HALF, type Mask } from '../mask';
import { valueAt } from '../timing';
import { inside, ringsOf, rowsOf } from './outline-rings';

/** Distance of the places at which a pen is looked at, px. */
const APART = 2;
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
/** Lengths are taken to a 64th of a px, so that a letter is looked at once, wherever it is moved. */
const EXACT = 64;

const rounded = (value: number): number => Math.round(value * EXACT) / EXACT;

/** Places of a pen along its stroke: x, y and half its width, one after another. */
type Places = Float64Array;

/** Whether a pen covers all along its path, from end to end, once it has been written. */
const isPlain = ({ ink, place, masks, reveal, effects }: Stroke): boolean =>
  ink.cap === 'round' &&
  (ink.endCap ?? 'round') === 'round' &&
  !ink.taper &&
  !ink.line &&
  !ink.dashes &&
  !ink.ends &&
  !ink.gradient &&
  !place &&
  !masks &&
  !reveal &&
  !effects &&
  valueAt(ink.opacity, Infinity) === 1;

/** The places of a stroke's pen as it is once it has been written, in piece pixels. */
const placesOf = ({ path, ink }: Stroke): Places =>
  kept(path, 'places of the pen', [ink.width, ink.widths], () => {
    const m = measurePath(path);
    const pen = penWidth(valueAt(ink.width, Infinity), m.length, ink.widths, null, { from: 0, to: m.length });
    const count = Math.max(1, Math.ceil(m.length / APART));
    const places = new Float64Array(3 * (count + 1));
    for (let i = 0; i <= count; i++) {
      const s = (m.length * i) / count;
      const p = pointAtLength(m, s);
      places.set([p.x, p.y, pen.at(s) / 2], 3 * i);
    }
    return places;
  });

/** Those of some places whose pens reach a box. */
function reaching(places: Places, { left, top, right, bottom }: Bounds, more: number): Places {
  const out = new Float64Array(places.length);
  let count = 0;
  for (let p = 0; p < places.length; p += 3) {
    const x = places[p]!;
    const y = places[p + 1]!;
    const reach = places[p + 2]! + more;
    if (x + reach <= left || x - reach >= right || y + reach <= top || y - reach >= bottom) continue;
    out[count++] = x;
    out[count++] = y;
    out[count++] = places[p + 2]!;
  }
  return out.slice(0, count);
}

/** Places as they are seen from a place of the piece. */
function seenFrom(places: Places, { x, y }: Point): Places {
  for (let p = 0; p < places.length; p += 3) {
    places[p] = rounded(places[p]! - x);
    places[p + 1] = rounded(places[p + 1]! - y);
    places[p + 2] = rounded(places[p + 2]!);
  }
  return places;
}

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
function computed(
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

/** What was held out of a letter the last time it was asked for, and of what. */
interface Known {
  readonly outline: readonly PathCommand[];
  readonly pens: readonly Places[];
  readonly covers: readonly boolean[];
  readonly held: readonly (readonly PathCommand[] | null)[];
}

const same = (a: ArrayLike<unknown>, b: ArrayLike<unknown>): boolean => {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
};
const sameCommands = (a: readonly PathCommand[], b: readonly PathCommand[]): boolean =>
  a.length === b.length && a.every((command, i) => same(command, b[i]!));

/** Letters that were looked at, by what they are one of and their place there. */
const lookedAt = new WeakMap<object, Map<number, Known>>();

/**
 * What each of the strokes that write a letter must leave to the others, as an outline in piece pixels; null where it reaches
 * nothing of theirs. Once all of them have been written the letter is whole without it.
 * @param of what the letter is one of, and its place there: what was found is kept with it, and found again where nothing
 * but the letter's place in the piece has changed.
 */
export function heldOut(
  outline: readonly PathCommand[],
  strokes: readonly Stroke[],
  of: object,
  place: number,
): readonly (readonly PathCommand[] | null)[] {
  const [start] = outline;
  if (strokes.length < 2 || !start || start[0] === 'Z') return strokes.map(() => null);
  const from = { x: start[1], y: start[2] };
  const letter = outline.map(
    (command): PathCommand =>
      command.map((part, i) =>
        typeof part === 'number' ? rounded(part - (i % 2 === 1 ? from.x : from.y)) : part,
      ) as unknown as PathCommand,
  );
  const box = commandsBounds(outline)!;
  const pens = strokes.map((stroke) => seenFrom(reaching(placesOf(stroke), box, 0), from));
  const covers = strokes.map(isPlain);
  let letters = lookedAt.get(of);
  if (!letters) lookedAt.set(of, (letters = new Map()));
  let known = letters.get(place);
  const isKnown =
    known !== undefined &&
    same(known.covers, covers) &&
    known.pens.length === pens.length &&
    known.pens.every((pen, k) => same(pen, pens[k]!)) &&
    sameCommands(known.outline, letter);
  if (!known || !isKnown) {
    known = { outline: letter, pens, covers, held: computed(letter, pens, covers) };
    letters.set(place, known);
  }
  return known.held.map((held) => held && transformCommands(held, translation(from.x, from.y)));
}
