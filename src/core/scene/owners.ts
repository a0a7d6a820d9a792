import type { Path, PathCommand } from '../geometry';
import { commandsBounds, measurePath, pointAtLength } from '../geometry';
import { stepsIn } from '../numbers';
import { inside, ringsOf, rowsOf } from './outline-rings';

/** A stroke runs along a part where so much of its length lies in it, or so much of the part's size. */
const SHARE_OF_STROKE = 0.6;
const SHARE_OF_PART = 0.12;
/** Distance of the places at which a stroke is looked at, px. */
const APART = 2;
/** Places of one stroke. */
const MOST = 20_000;
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
    const count = stepsIn(m.length, APART, MOST);
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
