import type { Bounds } from '../geometry';
import {
  RIB_ACROSS,
  RIB_ALONG_X,
  RIB_ALONG_Y,
  RIB_S,
  RIB_SIZE,
  RIB_X,
  RIB_Y,
  type ColourRibbon,
} from '../ink';

/**
 * How far along a path the pixels about it lie: a property of the path and of where it lies among the pixels. Pixels come in runs,
 * parts of a row, in the order in which the path comes by.
 */
export interface RibbonField {
  /** Where each run begins: its column and row, from a corner of the field's own. */
  readonly columns: Uint16Array;
  readonly rows: Uint16Array;
  /** The first pixel of each run, and how many there are in all. */
  readonly pixels: Int32Array;
  /** How far to the right of the path a run's first pixel lies, and by how much more each further one: infinitely far are pixels that are coloured only where they are bare. */
  readonly aside: Float32Array;
  readonly further: Float32Array;
  /** How far along the path each pixel lies, in whole grains. */
  readonly along: Uint16Array;
  /** How long a grain is, in the path's own px. */
  readonly grain: number;
  /** The first run of each slice between two ribs, and how many there are in all. */
  readonly slices: Int32Array;
}

/** Where a path lies among pixels: canvas pixels to one of the piece, and the piece's origin in canvas pixels. */
export interface Placing {
  readonly scale: number;
  readonly x: number;
  readonly y: number;
}

/** Pixels by which slices lie over one another, so that rounding leaves none between two. */
const LAP = 1 / 64;
/** A grain is so much of a pixel, or longer where a path has more of them than can be counted: no colour is seen to change in it. */
const GRAIN = 1 / 4;
const MOST_GRAINS = 65_535;
/** Pixels that colours reach beyond the stroke, so that its soft edge is fully coloured. */
export const HEM = 2.5;

/** A field while it is made. */
class Growing {
  private columns = new Uint16Array(256);
  private rows = new Uint16Array(256);
  private pixels = new Int32Array(256);
  private aside = new Float32Array(256);
  private further = new Float32Array(256);
  along = new Uint16Array(1024);
  runs = 0;
  count = 0;

  /** Begins a run of so many pixels; answers with the place of the first in `along`. */
  run(column: number, row: number, length: number, aside: number, further: number): number {
    if (this.runs + 1 >= this.columns.length) {
      this.columns = larger(this.columns, new Uint16Array(2 * this.runs + 2));
      this.rows = larger(this.rows, new Uint16Array(2 * this.runs + 2));
      this.pixels = larger(this.pixels, new Int32Array(2 * this.runs + 2));
      this.aside = larger(this.aside, new Float32Array(2 * this.runs + 2));
      this.further = larger(this.further, new Float32Array(2 * this.runs + 2));
    }
    if (this.count + length > this.along.length)
      this.along = larger(this.along, new Uint16Array(2 * (this.count + length)));
    this.columns[this.runs] = column;
    this.rows[this.runs] = row;
    this.pixels[this.runs] = this.count;
    this.aside[this.runs] = aside;
    this.further[this.runs++] = further;
    this.count += length;
    return this.count - length;
  }

  done(slices: Int32Array, grain: number): RibbonField {
    this.pixels[this.runs] = this.count;
    return {
      columns: this.columns.slice(0, this.runs),
      rows: this.rows.slice(0, this.runs),
      pixels: this.pixels.slice(0, this.runs + 1),
      aside: this.aside.slice(0, this.runs),
      further: this.further.slice(0, this.runs),
      along: this.along.slice(0, this.count),
      grain,
      slices,
    };
  }
}

function larger<T extends Uint16Array | Int32Array | Float32Array>(from: T, to: T): T {
  to.set(from);
  return to;
}

/** A convex part of the plane, row by row: where numbers that run evenly across it are not negative. */
class Edges {
  private count = 0;
  /** Of each edge: where it is in row 0, how it goes on from row to row, and whether what lies to its right counts, or to its left. */
  private readonly at = new Float64Array(8);
  private readonly by = new Float64Array(8);
  private readonly side = new Int8Array(8);
  /** The part of the row asked for last. */
  first = 0;
  last = 0;

  clear(): void {
    this.count = 0;
  }

  /** Keeps where a value (in row 0 and column 0) that grows by so much with each column and row is not negative. */
  keep(value: number, column: number, row: number): void {
    const i = this.count++;
    const flat = Math.abs(column) <= 1e-12;
    this.side[i] = flat ? 0 : column > 0 ? 1 : -1;
    this.at[i] = flat ? value : -value / column;
    this.by[i] = flat ? row : -row / column;
  }

  /** Finds the columns of a row, 0 to `most`, that are kept. */
  row(y: number, most: number): void {
    let first = 0;
    let last = most;
    for (let i = 0; i < this.count; i++) {
      const edge = this.at[i]! + this.by[i]! * y;
      const side = this.side[i]!;
      if (side > 0) first = Math.max(first, Math.ceil(edge));
      else if (side < 0) last = Math.min(last, Math.floor(edge));
      else if (edge < 0) last = -1;
    }
    this.first = first;
    this.last = last;
  }
}

/**
 * The field of a ribbon's whole path. Between two ribs a pixel lies by the share of its distances to them: exact on the ribs,
 * without steps between. Where the path bends tighter than the pen is wide ribs leave pixels out: those lie at the nearest rib,
 * for what is bare.
 * @param within the pixels that count, at most 65535 wide and high; columns and rows are counted from its corner.
 */
export function ribbonField(
  ribbon: Pick<ColourRibbon, 'ribs' | 'half' | 'reach'>,
  at: Placing,
  within: Bounds,
): RibbonField {
  const { ribs, half, reach } = ribbon;
  const count = ribs.length / RIB_SIZE;
  const out = new Growing();
  const edges = new Edges();
  const slices = new Int32Array(Math.max(1, count));
  const far = reach * at.scale + HEM;
  const length = ribs[(count - 1) * RIB_SIZE + RIB_S] ?? 0;
  const grain = Math.max(GRAIN / at.scale, length / MOST_GRAINS);
  const most = Math.round(length / grain);
  const rib = (i: number, part: number): number => ribs[i * RIB_SIZE + part]!;
  /** A disc about a rib, for what is bare. */
  const around = (i: number, radius: number): void => {
    const [cx, cy] = [rib(i, RIB_X) * at.scale + at.x, rib(i, RIB_Y) * at.scale + at.y];
    const [left, right] = [
      Math.max(within.left, Math.floor(cx - radius)),
      Math.min(within.right - 1, Math.ceil(cx + radius)),
    ];
    const [top, bottom] = [
      Math.max(within.top, Math.floor(cy - radius)),
      Math.min(within.bottom - 1, Math.ceil(cy + radius)),
    ];
    for (let y = top; y <= bottom; y++) {
      const wide = Math.sqrt(Math.max(0, radius * radius - (y + 0.5 - cy) ** 2));
      const first = Math.max(left, Math.ceil(cx - 0.5 - wide));
      const last = Math.min(right, Math.floor(cx - 0.5 + wide));
      if (last < first) continue;
      const length = last - first + 1;
      const at = out.run(first - within.left, y - within.top, length, Infinity, 0);
      out.along.fill(Math.round(rib(i, RIB_S) / grain), at, at + length);
    }
  };
  for (let i = 0; i + 1 < count; i++) {
    slices[i] = out.runs;
    const [ax, ay] = [rib(i, RIB_X) * at.scale + at.x, rib(i, RIB_Y) * at.scale + at.y];
    const [bx, by] = [rib(i + 1, RIB_X) * at.scale + at.x, rib(i + 1, RIB_Y) * at.scale + at.y];
    const [atx, aty] = [rib(i, RIB_ALONG_X), rib(i, RIB_ALONG_Y)];
    const [btx, bty] = [rib(i + 1, RIB_ALONG_X), rib(i + 1, RIB_ALONG_Y)];
    const g0 = rib(i, RIB_S) / grain;
    const grains = rib(i + 1, RIB_S) / grain - g0;
    const wide = half * Math.max(rib(i, RIB_ACROSS), rib(i + 1, RIB_ACROSS)) * at.scale + HEM;
    const [dx, dy] = [bx - ax, by - ay];
    const d = Math.sqrt(dx * dx + dy * dy);
    if (d < 1e-6) continue;
    const [ux, uy] = [dx / d, dy / d];
    const lean = Math.min(atx * ux + aty * uy, btx * ux + bty * uy);
    // Ribs that lean from the way between them reach far out at a corner.
    const side = lean < 0.97 ? far : wide;
    // What the slice may cover: its way, widened to its sides and to what its ribs lean out.
    const [sx, sy] = [Math.abs(uy) * side, Math.abs(ux) * side];
    const slack = side * Math.sqrt(Math.max(0, 1 - lean * lean)) + LAP;
    const left = Math.max(within.left, Math.floor(Math.min(ax, bx) - sx - slack));
    const right = Math.min(within.right - 1, Math.ceil(Math.max(ax, bx) + sx + slack));
    const top = Math.max(within.top, Math.floor(Math.min(ay, by) - sy - slack));
    const bottom = Math.min(within.bottom - 1, Math.ceil(Math.max(ay, by) + sy + slack));
    const [rx, ry] = [left + 0.5 - ax, top + 0.5 - ay];
    const across0 = rx * uy - ry * ux;
    const behind0 = rx * atx + ry * aty;
    const ahead0 = (bx - left - 0.5) * btx + (by - top - 0.5) * bty;
    edges.clear();
    edges.keep(side - across0, -uy, ux);
    edges.keep(side + across0, uy, -ux);
    edges.keep(behind0 + LAP, atx, aty);
    edges.keep(ahead0 + LAP, -btx, -bty);
    edges.keep(behind0 + ahead0 - 1e-9, atx - btx, aty - bty);
    for (let y = 0; y <= bottom - top; y++) {
      edges.row(y, right - left);
      const { first, last } = edges;
      if (last < first) continue;
      const behind = behind0 + y * aty;
      const ahead = ahead0 - y * bty;
      const on = out.run(
        left + first - within.left,
        top + y - within.top,
        last - first + 1,
        across0 - y * ux + first * uy,
        uy,
      );
      const { along } = out;
      for (let k = first; k <= last; k++) {
        const gone = behind + k * atx;
        const g = Math.round(g0 + (grains * gone) / (gone + ahead - k * btx));
        along[on + k - first] = g < 0 ? 0 : g > most ? most : g;
      }
    }
    // Where ribs cross within the stroke's width, they leave a part of it bare.
    if (lean < 0.97 && wide * Math.sqrt(1 - lean * lean) > 0.4 * d) {
      around(i, wide);
      around(i + 1, wide);
    }
  }
  slices[Math.max(0, count - 1)] = out.runs;
  return out.done(slices, grain);
}
