import type { Bounds, Path, PathCommand } from '../geometry';
import { commandsBounds, measurePath, pointAtLength } from '../geometry';

/** A stroke runs along a part where so much of its length lies in it, or so much of the part's size. */
const SHARE_OF_STROKE = 0.6;
const SHARE_OF_PART = 0.12;
/** Distance of the places at which a stroke is looked at, px. */
const APART = 2;
/** Straight pieces that a curve of an outline is cut into. */
const PIECES = 8;

/** The corners of an outline, ring by ring, as x, y, x, y. */
function ringsOf(commands: readonly PathCommand[]): number[][] {
  const rings: number[][] = [];
  let ring: number[] = [];
  let [x, y] = [0, 0];
  for (const c of commands) {
    if (c[0] === 'M') {
      if (ring.length > 4) rings.push(ring);
      ring = [c[1], c[2]];
      [x, y] = [c[1], c[2]];
    } else if (c[0] === 'L') {
      ring.push(c[1], c[2]);
      [x, y] = [c[1], c[2]];
    } else if (c[0] === 'C') {
      for (let i = 1; i <= PIECES; i++) {
        const t = i / PIECES;
        const u = 1 - t;
        const [a, b, d, e] = [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t];
        ring.push(a * x + b * c[1] + d * c[3] + e * c[5], a * y + b * c[2] + d * c[4] + e * c[6]);
      }
      [x, y] = [c[5], c[6]];
    }
  }
  if (ring.length > 4) rings.push(ring);
  return rings;
}

/** So many rows an outline is cut into, so that for a place only the edges of its row are looked at. */
const ROWS = 64;

/** The edges of an outline by the rows they pass through: x0, y0, x1, y1 one after another. */
interface Rows {
  readonly top: number;
  readonly height: number;
  readonly edges: readonly (readonly number[])[];
}

function rowsOf(rings: readonly number[][], { top, bottom }: Bounds): Rows {
  const height = Math.max(1e-9, (bottom - top) / ROWS);
  const edges: number[][] = Array.from({ length: ROWS }, () => []);
  for (const ring of rings) {
    for (let i = 0, j = ring.length - 2; i < ring.length; j = i, i += 2) {
      const [x0, y0, x1, y1] = [ring[j]!, ring[j + 1]!, ring[i]!, ring[i + 1]!];
      const to = rowAt(Math.max(y0, y1), top, height);
      for (let row = rowAt(Math.min(y0, y1), top, height); row <= to; row++) edges[row]!.push(x0, y0, x1, y1);
    }
  }
  return { top, height, edges };
}
const rowAt = (y: number, top: number, height: number): number =>
  Math.min(ROWS - 1, Math.max(0, Math.floor((y - top) / height)));

/** Whether a place lies in an outline, by the nonzero rule. */
function inside({ top, height, edges }: Rows, x: number, y: number): boolean {
  let winding = 0;
  const row = edges[rowAt(y, top, height)]!;
  for (let i = 0; i < row.length; i += 4) {
    const [x0, y0, x1, y1] = [row[i]!, row[i + 1]!, row[i + 2]!, row[i + 3]!];
    if (y0 <= y !== y1 <= y) {
      const at = x0 + ((y - y0) / (y1 - y0)) * (x1 - x0);
      if (at > x) winding += y1 > y0 ? 1 : -1;
    }
  }
  return winding !== 0;
}

/**
 * For each outline the places, in a list of paths, of those that run along it: the strokes it belongs to. An outline along
 * which none runs belongs to the one that comes nearest to doing so, unless it has others.
 * @param hasOthers whether an outline belongs to something else already.
 */
export function ownersOf(
  outlines: readonly (readonly PathCommand[])[],
  paths: readonly Path[],
  hasOthers: (outline: number) => boolean = () => false,
): number[][] {
  const places = paths.map((path) => {
    const m = measurePath(path);
    const count = Math.max(1, Math.ceil(m.length / APART));
    return {
      length: m.length,
      at: Array.from({ length: count + 1 }, (_, i) => pointAtLength(m, (m.length * i) / count)),
    };
  });
  return outlines.map((outline, index) => {
    const box = commandsBounds(outline);
    if (!box) return [];
    const rows = rowsOf(ringsOf(outline), box);
    const size = Math.max(box.right - box.left, box.bottom - box.top);
    const within = places.map(({ at, length }) => {
      const hits = at.filter(
        (p) =>
          p.x >= box.left &&
          p.x <= box.right &&
          p.y >= box.top &&
          p.y <= box.bottom &&
          inside(rows, p.x, p.y),
      ).length;
      return { share: hits / at.length, px: (hits / at.length) * Math.max(length, APART) };
    });
    const owning = within.flatMap(({ share, px }, i) =>
      share >= SHARE_OF_STROKE || px >= SHARE_OF_PART * size ? [i] : [],
    );
    if (owning.length > 0 || paths.length === 0 || hasOthers(index)) return owning;
    const most = within.reduce((best, now, i) => (now.px > within[best]!.px ? i : best), 0);
    return within[most] && within[most].px > 0 ? [most] : paths.map((_, i) => i);
  });
}
