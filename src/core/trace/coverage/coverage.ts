// Longer than most files: the pass over pens and pixels is one loop in the hottest place there is, and all that is read off it
// (bare spots, spill, needs, the course of time) shares its arrays.
import { windowAt, type Stroke } from '../../document';
import { kept } from '../../draw';
import { measurePath, pointAtLength, tangentAtLength, type Bounds } from '../../geometry';
import { capsOf, inkedLengths, penWidth, runsOf } from '../../ink';
import { distanceToPaper, HALF, type Mask } from '../../mask';
import { valueAt } from '../../timing';

/** What is to be uncovered: a mask of it, and where it lies. */
export interface Covered {
  readonly mask: Mask;
  readonly bounds: Bounds;
  /** Mask pixels to a piece pixel. */
  readonly scale: number;
  /** For each pixel which letter or shape it belongs to, from 1; where absent all strokes uncover all of it. */
  readonly parts?: Uint16Array;
  /** For each letter or shape, the places of the strokes that uncover it. */
  readonly owners?: readonly (readonly number[])[];
  /** By the place of a stroke, how much of each pixel it leaves to others. */
  readonly left?: ReadonlyMap<number, Uint8Array>;
}

/** A place that no stroke ever uncovers. Lengths in piece pixels. */
export interface BareSpot {
  readonly box: Bounds;
  /** Square pixels of art that stay hidden. */
  readonly area: number;
  /** The stroke that comes nearest, and the half width with which it would reach all of the spot. */
  readonly stroke: string | null;
  readonly reach: number;
  /** The spot lies beyond an end of that stroke. */
  readonly beyond: 'start' | 'end' | null;
}

/** Art that one stroke uncovers before the stroke it belongs to does. */
export interface Spill {
  readonly by: string;
  readonly of: string;
  readonly area: number;
  readonly box: Bounds;
  /** Frames in which it is seen too early, the last one not counted. */
  readonly from: number;
  readonly to: number;
}

export interface Coverage {
  /** Square pixels of art. */
  readonly area: number;
  /** Share of it that is uncovered when all strokes have been written. */
  readonly share: number;
  /** Share uncovered, and share seen too early, at each frame of the piece. */
  readonly overTime: readonly { readonly share: number; readonly early: number }[];
  /** The largest first. */
  readonly bare: readonly BareSpot[];
  readonly spills: readonly Spill[];
  /** For each stroke the half widths, px, with which it just reaches what is nearest to it, at places evenly spread along it. */
  readonly needs: readonly { readonly stroke: string; readonly halves: Float32Array }[];
}

/** One place of a pen: where, how wide, and when it is first there. In mask pixels. */
interface Place {
  readonly x: number;
  readonly y: number;
  /** Half the pen's width, and half the width of the letter's line there. */
  readonly pen: number;
  readonly line: number;
  readonly frame: number;
  /** Which end of the stroke it is, as a place in `ENDS`. */
  readonly end: 0 | 1 | 2;
  /** Ends cut off flat that its pen reaches: nothing beyond them is covered. */
  readonly cuts: readonly Cut[];
}

/** Where a stroke is cut off flat, and which way leads out of it. */
interface Cut {
  readonly x: number;
  readonly y: number;
  readonly tx: number;
  readonly ty: number;
}

/** Ends of a stroke by the numbers that pixels bear. */
const ENDS = [null, 'start', 'end'] as const;

/** A pen is looked at so often, in shares of its half width, and never further apart than so many mask pixels. */
const STEP = { share: 0.25, most: 3 } as const;
/** The line of a letter counts this much wider, mask pixels: its middle is not found to the last of them. */
const SLACK = 1.25;
/** How much further than its width a pen is asked for what lies near it: a factor, and mask pixels. */
const LOOK = { factor: 1.5, more: 6 } as const;
/** Spots smaller than this are not shown, square piece pixels. */
const SMALLEST = 1.5;
/** At most so many spots and spills are told. */
const MOST = 200;

/** The first whole frame at which each of some lengths is inked; Infinity where it never is. */
function firstFrames(
  stroke: Stroke,
  lengths: readonly number[],
  length: number,
  frames: number,
): Float64Array {
  const first = new Float64Array(lengths.length).fill(Infinity);
  let left = lengths.length;
  for (let frame = 0; frame < frames && left > 0; frame++) {
    for (const run of runsOf(windowAt(stroke, frame), stroke.path.closed)) {
      const inked = inkedLengths(run, length, stroke.path.closed);
      if (!inked) continue;
      for (let i = 0; i < lengths.length; i++) {
        const s = lengths[i]!;
        if (first[i] !== Infinity) continue;
        if ((s >= inked.from && s <= inked.to) || (inked.to > length && s + length <= inked.to)) {
          first[i] = frame;
          left--;
        }
      }
    }
  }
  return first;
}

const beyondCut = (cuts: readonly Cut[], x: number, y: number): boolean => {
  for (const cut of cuts) if ((x - cut.x) * cut.tx + (y - cut.y) * cut.ty > 0) return true;
  return false;
};

/** The places of a stroke's pen, as wide as it is when it has been written. */
function placesOf(stroke: Stroke, depth: Float32Array, covered: Covered, frames: number): Place[] {
  const { bounds, scale, mask } = covered;
  const m = measurePath(stroke.path);
  const { ink } = stroke;
  const last = Math.max(0, frames - 1);
  const width = valueAt(ink.width, last);
  const pen = penWidth(width, m.length, ink.widths, null, { from: 0, to: m.length });
  const apart = Math.max(0.5, Math.min(STEP.most, (width / 2) * scale * STEP.share)) / scale;
  const count = m.length > 0 ? Math.max(1, Math.ceil(m.length / apart)) : 0;
  const lengths = Array.from({ length: count + 1 }, (_, i) => (count > 0 ? (i / count) * m.length : 0));
  const frame = firstFrames(stroke, lengths, Math.max(1, m.length), frames);
  const toMask = (p: { x: number; y: number }) => ({
    x: (p.x - bounds.left) * scale,
    y: (p.y - bounds.top) * scale,
  });
  const open = !stroke.path.closed && m.length > 0;
  const cutAt = (s: number, way: 1 | -1): Cut => {
    const t = tangentAtLength(m, s);
    return { ...toMask(pointAtLength(m, s)), tx: t.x * way, ty: t.y * way };
  };
  const caps = capsOf(ink);
  const cuts = {
    start: open && caps.start === 'flat' ? [cutAt(0, -1)] : [],
    end: open && caps.end === 'flat' ? [cutAt(m.length, 1)] : [],
  };
  return lengths.map((s, i): Place => {
    const { x, y } = toMask(pointAtLength(m, s));
    const [cx, cy] = [Math.floor(x), Math.floor(y)];
    const within = cx >= 0 && cy >= 0 && cx < mask.width && cy < mask.height;
    const half = pen.at(s) / 2;
    return {
      x,
      y,
      pen: half * scale,
      line: (within ? depth[cy * mask.width + cx]! : 0) + SLACK,
      frame: frame[i]!,
      end: !open ? 0 : i === 0 ? 1 : i === count ? 2 : 0,
      cuts: [...(s < half ? cuts.start : []), ...(m.length - s < half ? cuts.end : [])],
    };
  });
}

/**
 * How much of something strokes uncover, when, and what they uncover too early. Each pixel of it belongs to the strokes in
 * whose line of the letter it lies (told by how deep the ink is under the stroke), else to the nearest.
 * @param frames of the piece.
 */
export function coverage(covered: Covered, strokes: readonly Stroke[], frames: number): Coverage {
  const found = swept(covered, strokes, frames);
  return { ...judged(found), needs: needsOf(found) };
}

/** Sets every stroke's pen down place by place, and notes for every pixel who uncovers it when. */
function swept(covered: Covered, strokes: readonly Stroke[], frames: number) {
  const { mask, scale, bounds, parts, owners, left } = covered;
  const { width, height, data } = mask;
  const size = width * height;
  // Strokes are fitted to the same ink in several rounds.
  const depth = kept(mask, 'depth', [], () => distanceToPaper(mask));
  const first = new Float32Array(size).fill(Infinity);
  const firstBy = new Int16Array(size).fill(-1);
  /** Whether what is uncovered first is uncovered by a stroke it belongs to. */
  const firstOwn = new Uint8Array(size);
  const own = new Float32Array(size).fill(Infinity);
  /** Squares of distances to the nearest place of a stroke. */
  const nearest = new Float32Array(size).fill(Infinity);
  const nearBy = new Int16Array(size).fill(-1);
  const nearFrame = new Float32Array(size).fill(Infinity);
  const nearEnd = new Uint8Array(size);
  const nearPlace = new Int32Array(size);
  // Of the stroke at hand: when it uncovers a pixel, and whether the pixel lies in its line.
  const now = new Float32Array(size).fill(Infinity);
  const inLine = new Uint8Array(size);
  const seen = new Uint8Array(size);
  const mayCover = owners && strokes.map((_, k) => owners.map((of) => of.includes(k)));
  const placed = strokes.map((stroke) => placesOf(stroke, depth, covered, frames));
  for (const k of strokes.keys()) {
    const may = mayCover?.[k];
    const leaves = left?.get(k);
    const places = placed[k]!;
    const touched: number[] = [];
    for (const [at, place] of places.entries()) {
      const reach = Math.max(place.pen, place.line) * LOOK.factor + LOOK.more;
      const pen = place.pen * place.pen;
      const line = place.line * place.line;
      const y0 = Math.max(0, Math.floor(place.y - reach));
      const y1 = Math.min(height - 1, Math.ceil(place.y + reach));
      for (let y = y0; y <= y1; y++) {
        const dy = y + 0.5 - place.y;
        const across = Math.sqrt(reach * reach - dy * dy);
        // Where the row passes by the circle there is no number, and no pixel.
        const x1 = Math.min(width - 1, Math.floor(place.x + across - 0.5));
        for (let x = Math.max(0, Math.ceil(place.x - across - 0.5)); x <= x1; x++) {
          const i = y * width + x;
          if (data[i] === 0) continue;
          if (may && parts && !may[parts[i]! - 1]) continue;
          const dx = x + 0.5 - place.x;
          const d = dx * dx + dy * dy;
          if (seen[i] === 0) {
            seen[i] = 1;
            touched.push(i);
          }
          if (d < nearest[i]!) {
            nearest[i] = d;
            nearBy[i] = k;
            nearPlace[i] = at;
            nearEnd[i] = place.end;
          }
          if (d <= line) inLine[i] = 1;
          if (d > pen || place.frame >= now[i]!) continue;
          if (leaves && leaves[i]! > HALF) continue;
          if (beyondCut(place.cuts, x + 0.5, y + 0.5)) continue;
          now[i] = place.frame;
        }
      }
    }
    for (const i of touched) {
      const frame = now[i]!;
      if (nearBy[i] === k) nearFrame[i] = frame;
      if (inLine[i] === 1 && frame < own[i]!) own[i] = frame;
      if (frame < first[i]!) {
        first[i] = frame;
        firstBy[i] = k;
        firstOwn[i] = inLine[i]!;
      }
      now[i] = Infinity;
      inLine[i] = 0;
      seen[i] = 0;
    }
  }
  for (let i = 0; i < size; i++) {
    if (data[i] === 0 || nearBy[i]! >= 0) continue;
    // Further away than was looked: all places are tried.
    const [x, y] = [(i % width) + 0.5, Math.floor(i / width) + 0.5];
    for (const [k, places] of placed.entries()) {
      if (mayCover && parts && !mayCover[k]![parts[i]! - 1]) continue;
      for (let at = 0; at < places.length; at++) {
        const place = places[at]!;
        const d = (place.x - x) ** 2 + (place.y - y) ** 2;
        if (d >= nearest[i]!) continue;
        nearest[i] = d;
        nearBy[i] = k;
        nearPlace[i] = at;
        nearEnd[i] = place.end;
      }
    }
  }
  return {
    mask,
    scale,
    bounds,
    strokes,
    frames,
    placed,
    first,
    firstBy,
    firstOwn,
    own,
    nearest,
    nearBy,
    nearPlace,
    nearFrame,
    nearEnd,
  };
}

type Found = ReturnType<typeof swept>;

/** How wide each stroke must be at each of its places to reach what is nearest to it there. */
function needsOf({ strokes, placed, scale, nearest, nearBy, nearPlace }: Found): Coverage['needs'] {
  const needs = strokes.map((stroke, k) => ({
    stroke: stroke.id,
    halves: new Float32Array(placed[k]!.length),
  }));
  for (let i = 0; i < nearBy.length; i++) {
    if (nearBy[i]! < 0) continue;
    const { halves } = needs[nearBy[i]!]!;
    const half = Math.sqrt(nearest[i]!) / scale;
    if (half > halves[nearPlace[i]!]!) halves[nearPlace[i]!] = half;
  }
  return needs;
}

function judged(found: Found): Omit<Coverage, 'needs'> {
  const { mask, scale, bounds, strokes, frames, first, firstBy, firstOwn, own, nearBy, nearFrame } = found;
  const { width, data } = mask;
  const px = scale * scale;
  const shown = new Float64Array(frames + 1);
  const early = new Float64Array(frames + 1);
  const spills = new Map<
    string,
    { by: number; of: number; area: number; box: Bounds; from: number; to: number }
  >();
  let [area, seen] = [0, 0];
  for (let i = 0; i < data.length; i++) {
    if (data[i] === 0) continue;
    const weight = data[i]! / 255 / px;
    area += weight;
    const at = first[i]!;
    if (at === Infinity) continue;
    seen += weight;
    shown[at]! += weight;
    // A pen uncovers what lies ahead on its own way a little early; that is how it writes.
    if (firstOwn[i] === 1 || firstBy[i] === nearBy[i]) continue;
    const due = own[i] === Infinity ? nearFrame[i]! : own[i]!;
    if (due === Infinity || due <= at) continue;
    early[at]! += weight;
    early[Math.min(frames, due)]! -= weight;
    const key = `${firstBy[i]} ${nearBy[i]}`;
    const [x, y] = [bounds.left + (i % width) / scale, bounds.top + Math.floor(i / width) / scale];
    const spill = spills.get(key);
    if (!spill) {
      spills.set(key, {
        by: firstBy[i]!,
        of: nearBy[i]!,
        area: weight,
        box: { left: x, top: y, right: x + 1 / scale, bottom: y + 1 / scale },
        from: at,
        to: due,
      });
      continue;
    }
    spill.area += weight;
    spill.from = Math.min(spill.from, at);
    spill.to = Math.max(spill.to, due);
    spill.box = {
      left: Math.min(spill.box.left, x),
      top: Math.min(spill.box.top, y),
      right: Math.max(spill.box.right, x + 1 / scale),
      bottom: Math.max(spill.box.bottom, y + 1 / scale),
    };
  }
  const whole = Math.max(area, 1e-9);
  let [sum, now] = [0, 0];
  const overTime = Array.from({ length: frames }, (_, f) => {
    sum += shown[f]!;
    now += early[f]!;
    return { share: sum / whole, early: Math.max(0, now) / whole };
  });
  const id = (k: number): string => strokes[k]?.id ?? '';
  return {
    area,
    share: area > 0 ? seen / area : 1,
    overTime,
    bare: bareSpots(found),
    spills: [...spills.values()]
      .filter((spill) => spill.area >= SMALLEST)
      .sort((a, b) => b.area - a.area)
      .slice(0, MOST)
      .map((spill) => ({ ...spill, by: id(spill.by), of: id(spill.of) })),
  };
}

/** Pixels that stay bare, put together into spots. */
function bareSpots({ mask, scale, bounds, strokes, first, nearest, nearBy, nearEnd }: Found): BareSpot[] {
  const { width, height, data } = mask;
  const isBare = (i: number): boolean => data[i]! > 0 && first[i] === Infinity;
  const done = new Uint8Array(data.length);
  const spots: BareSpot[] = [];
  const stack: number[] = [];
  for (let start = 0; start < data.length; start++) {
    if (done[start] || !isBare(start)) continue;
    let [left, right, top, bottom] = [width, 0, height, 0];
    let [sum, reach, by, end] = [0, 0, -1, 0];
    done[start] = 1;
    stack.push(start);
    while (stack.length > 0) {
      const i = stack.pop()!;
      const [x, y] = [i % width, Math.floor(i / width)];
      sum += data[i]! / 255;
      [left, right, top, bottom] = [
        Math.min(left, x),
        Math.max(right, x + 1),
        Math.min(top, y),
        Math.max(bottom, y + 1),
      ];
      if (nearest[i] !== Infinity && nearest[i]! > reach)
        [reach, by, end] = [nearest[i]!, nearBy[i]!, nearEnd[i]!];
      for (let dy = -1; dy <= 1; dy++) {
        for (let dx = -1; dx <= 1; dx++) {
          const [u, v] = [x + dx, y + dy];
          if (u < 0 || v < 0 || u >= width || v >= height) continue;
          const next = v * width + u;
          // What another stroke, or another end, is nearest to is another spot: it is mended otherwise.
          if (
            done[next] ||
            !isBare(next) ||
            nearBy[next] !== nearBy[start] ||
            nearEnd[next] !== nearEnd[start]
          )
            continue;
          done[next] = 1;
          stack.push(next);
        }
      }
    }
    const area = sum / (scale * scale);
    if (area < SMALLEST) continue;
    spots.push({
      box: {
        left: bounds.left + left / scale,
        right: bounds.left + right / scale,
        top: bounds.top + top / scale,
        bottom: bounds.top + bottom / scale,
      },
      area,
      stroke: by < 0 ? null : strokes[by]!.id,
      reach: Math.sqrt(reach) / scale,
      beyond: ENDS[end]!,
    });
  }
  return spots.sort((a, b) => b.area - a.area).slice(0, MOST);
}
