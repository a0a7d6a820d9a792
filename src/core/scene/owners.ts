import type { Path, PathCommand } from '../geometry';
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

/** Whether a place lies in an outline, by the nonzero rule. */
function inside(rings: readonly number[][], x: number, y: number): boolean {
  let winding = 0;
  for (const ring of rings) {
    for (let i = 0, j = ring.length - 2; i < ring.length; j = i, i += 2) {
      const [x0, y0, x1, y1] = [ring[j]!, ring[j + 1]!, ring[i]!, ring[i + 1]!];
      if (y0 <= y !== y1 <= y) {
        const at = x0 + ((y - y0) / (y1 - y0)) * (x1 - x0);
        if (at > x) winding += y1 > y0 ? 1 : -1;
      }
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
    const rings = ringsOf(outline);
    const size = Math.max(box.right - box.left, box.bottom - box.top);
    const within = places.map(({ at, length }) => {
      const hits = at.filter(
        (p) =>
          p.x >= box.left &&
          p.x <= box.right &&
          p.y >= box.top &&
          p.y <= box.bottom &&
          inside(rings, p.x, p.y),
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
