import { distance, type Point } from '../../geometry';
import { HALF, labelPieces, type Mask } from '../../mask';
import type { Place } from '../skeleton';
import type { Line } from './lines';

/** Places of a line that is looked at are no further apart, mask pixels. */
const APART = 1.5;
/** Ink counts as reached so far beyond a pen, mask pixels: its edge is no sharper. */
const SLACK = 0.6;
/** Discs are set down no nearer to one another than this share of their radius. */
const NEAR = 0.25;
/** Ink that no pen reaches matters from so much on, square mask pixels. */
const SMALLEST = 6;
/** A line is widened by so much of its half width at the most in one round, and there are so many of these. */
const MOST = 0.8;
const ROUNDS = 3;
/** So much paper may be painted over for ink that is reached. */
const PRICE = 0.6;
/** What lies before a place rather than beside it is not for it to reach: the most of the way there that goes along the line. */
const BESIDE = 0.75;

/** A line with places as near to one another as they are looked at. */
function dense({ places, closed }: Line): Place[] {
  const out: Place[] = [];
  places.forEach((p, i) => {
    out.push(p);
    const next = places[i + 1] ?? (closed ? places[0] : undefined);
    if (!next) return;
    const pieces = Math.ceil(distance(p, next) / APART);
    for (let k = 1; k < pieces; k++) {
      const t = k / pieces;
      out.push({ x: p.x + (next.x - p.x) * t, y: p.y + (next.y - p.y) * t, r: p.r + (next.r - p.r) * t });
    }
  });
  return out;
}

/** Calls for each row of a mask that a pen covers at a place: its first pixel, and the one after its last. */
function forEachRow(
  { x, y, r }: Place,
  { width, height }: Mask,
  call: (from: number, to: number) => void,
): void {
  const reach = r + SLACK;
  const last = Math.min(height - 1, Math.floor(y + reach - 0.5));
  for (let j = Math.max(0, Math.ceil(y - reach - 0.5)); j <= last; j++) {
    const dy = j + 0.5 - y;
    const across = Math.sqrt(reach * reach - dy * dy);
    const from = Math.max(0, Math.ceil(x - across - 0.5));
    const to = Math.min(width - 1, Math.floor(x + across - 0.5));
    if (to >= from) call(j * width + from, j * width + to + 1);
  }
}

/** Ink that no pen reaches, without slivers. */
function unreached(lines: readonly (readonly Place[])[], mask: Mask): number[] {
  const data = mask.data.slice();
  for (const places of lines) {
    let before: Place | null = null;
    places.forEach((place, i) => {
      // Between discs so near to one another nothing is left.
      const near = before && distance(before, place) < NEAR * Math.min(before.r, place.r);
      if (near && i < places.length - 1) return;
      before = place;
      forEachRow(place, mask, (from, to) => data.fill(0, from, to));
    });
  }
  const { labels, count } = labelPieces({ ...mask, data });
  if (count === 0) return [];
  const areas = new Int32Array(count + 1);
  for (let at = 0; at < labels.length; at++) areas[labels[at]!]!++;
  const out: number[] = [];
  for (let at = 0; at < labels.length; at++)
    if (labels[at]! > 0 && areas[labels[at]!]! >= SMALLEST) out.push(at);
  return out;
}

/** Which way a line goes at one of its places (unit). */
function wayAt(places: readonly Place[], i: number): Point {
  const [a, b] = [places[Math.max(0, i - 2)]!, places[Math.min(places.length - 1, i + 2)]!];
  const long = distance(a, b) || 1;
  return { x: (b.x - a.x) / long, y: (b.y - a.y) / long };
}

/** How far beyond its pen ink lies on both sides of each place of a line. */
interface Sides {
  readonly left: Float64Array;
  readonly right: Float64Array;
}

/** For each line, how much further than its pen it has to reach for the ink that is nearest to it; null where it need not. */
function lacking(
  lines: readonly (readonly Place[])[],
  pixels: readonly number[],
  { width }: Mask,
  pieceOf: Int32Array,
  pieces: readonly number[],
): (Sides | null)[] {
  const sides: (Sides | null)[] = lines.map(() => null);
  const all = lines.flatMap((places, line) => places.map((place, index) => ({ place, line, index })));
  const [xs, ys, rs] = (['x', 'y', 'r'] as const).map((of) =>
    Float64Array.from(all, ({ place }) => place[of]),
  );
  const owns = Int32Array.from(all, ({ line }) => pieces[line]!);
  for (const at of pixels) {
    const x = (at % width) + 0.5;
    const y = Math.floor(at / width) + 0.5;
    let least = Infinity;
    let nearest = -1;
    for (let i = 0; i < all.length; i++) {
      if (owns[i] !== pieceOf[at]) continue;
      const dx = xs![i]! - x;
      const dy = ys![i]! - y;
      const square = dx * dx + dy * dy;
      const bound = least + rs![i]!;
      if (square >= bound * bound) continue;
      least = Math.sqrt(square) - rs![i]!;
      nearest = i;
    }
    // A dot has no line.
    if (nearest < 0) continue;
    const { place, line, index } = all[nearest]!;
    const places = lines[line]!;
    // Ends and corners are taken to the edge of the ink by themselves.
    if (place.corner || index === 0 || index === places.length - 1) continue;
    const way = wayAt(places, index);
    const [dx, dy] = [x - place.x, y - place.y];
    if (Math.abs(dx * way.x + dy * way.y) > BESIDE * Math.hypot(dx, dy)) continue;
    const { left, right } = (sides[line] ??= {
      left: new Float64Array(places.length),
      right: new Float64Array(places.length),
    });
    const side = way.x * dy - way.y * dx < 0 ? left : right;
    side[index] = Math.max(side[index]!, least);
  }
  return sides;
}

/** A value at each place, evened out over the width of the line there. */
function evened(values: Float64Array, places: readonly Place[]): Float64Array {
  return values.map((_, i) => {
    const span = Math.max(2, places[i]!.r / 2);
    let [sum, weight] = [0, 0];
    for (const by of [-1, 1] as const) {
      let way = 0;
      for (let k = by < 0 ? i : i + 1; k >= 0 && k < values.length; k += by) {
        if (k !== i) way += distance(places[k]!, places[k - by]!);
        if (way >= span) break;
        const share = 1 - way / span;
        sum += share * values[k]!;
        weight += share;
      }
    }
    return weight > 0 ? sum / weight : 0;
  });
}

/** A stretch of a line moved and widened so that one flank stays where it is and the other reaches further. */
function reaching(places: readonly Place[], { left, right }: Sides): Place[] {
  const [l, r] = [evened(left, places), evened(right, places)];
  return places.map((place, i) => {
    if (place.corner || i === 0 || i === places.length - 1 || l[i]! + r[i]! === 0) return place;
    const most = MOST * place.r;
    const [more, less] = [Math.min(most, l[i]!), Math.min(most, r[i]!)];
    const way = wayAt(places, i);
    const by = (more - less) / 2;
    return { ...place, x: place.x + way.y * by, y: place.y - way.x * by, r: place.r + (more + less) / 2 };
  });
}

/** Pixels as they were marked last: `lacked` where no pen reaches ink, and what a stretch covers, by the number of the stretch. */
interface Marks {
  readonly lacked: Uint8Array;
  readonly seen: Int32Array;
  stretch: number;
}

/** Whether what a line reaches anew is worth the paper that it paints over. */
function isWorth(before: readonly Place[], after: readonly Place[], marks: Marks, mask: Mask): boolean {
  const { lacked, seen } = marks;
  const stretch = ++marks.stretch;
  for (const place of before) forEachRow(place, mask, (from, to) => seen.fill(stretch, from, to));
  let ink = 0;
  let paper = 0;
  for (const place of after) {
    forEachRow(place, mask, (from, to) => {
      for (let at = from; at < to; at++) {
        if (seen[at] === stretch) continue;
        seen[at] = stretch;
        if (lacked[at] === 1) ink++;
        else if (mask.data[at]! <= HALF) paper++;
      }
    });
  }
  return ink > 0 && paper <= PRICE * ink;
}

/** Places with those stretches of them moved for which it is worth it. */
function worthwhile(
  before: readonly Place[],
  after: readonly Place[],
  marks: Marks,
  mask: Mask,
): readonly Place[] {
  const out = [...before];
  let from = -1;
  for (let i = 0; i <= after.length; i++) {
    const differs = i < after.length && after[i] !== before[i];
    if (differs && from < 0) from = i;
    if (differs || from < 0) continue;
    const now = after.slice(from, i);
    if (isWorth(before.slice(from, i), now, marks, mask)) out.splice(from, i - from, ...now);
    from = -1;
  }
  return out;
}

/**
 * Lines moved and widened where ink beside them is reached by no pen: in a melted joint, whose arms a bridge joins on the shortest
 * way. A line that reaches all it runs through stays as it is.
 * @param pieceOf the number of the connected piece of ink that each pixel belongs to.
 */
export function settleLines(lines: readonly Line[], mask: Mask, pieceOf: Int32Array): Line[] {
  const first: readonly (readonly Place[])[] = lines.map(dense);
  let all = first;
  for (let round = 0; round < ROUNDS; round++) {
    const pixels = unreached(all, mask);
    if (pixels.length === 0) break;
    const marks: Marks = {
      lacked: new Uint8Array(mask.data.length),
      seen: new Int32Array(mask.data.length),
      stretch: 0,
    };
    for (const at of pixels) marks.lacked[at] = 1;
    const sides = lacking(
      all,
      pixels,
      mask,
      pieceOf,
      lines.map(({ piece }) => piece),
    );
    all = all.map((places, l) => {
      const lacks = sides[l];
      return lacks ? worthwhile(places, reaching(places, lacks), marks, mask) : places;
    });
  }
  return lines.map((line, l) => {
    const settled = all[l]!;
    return settled.every((place, i) => place === first[l]![i]) ? line : { ...line, places: settled };
  });
}
