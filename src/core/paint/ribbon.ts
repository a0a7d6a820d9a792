import { rampAt, type Stop } from '../colour';
import type { Bounds } from '../geometry';
import { RIB, ribAt, type ColourRibbon } from '../ink';
import type { PlacedField } from './fields';
import { HEM, type Placing } from './ribbon-field';

/** Colours of a ramp, evenly spread, as bytes in the order red, green, blue, alpha. */
const STEPS = 512;
const ramps = new WeakMap<readonly Stop[], Uint8ClampedArray>();

function rampOf(stops: readonly Stop[]): Uint8ClampedArray {
  let ramp = ramps.get(stops);
  if (!ramp) {
    ramp = new Uint8ClampedArray(4 * (STEPS + 1));
    for (let i = 0; i <= STEPS; i++) {
      const { colour, opacity } = rampAt(stops, i / STEPS);
      const value = Number.parseInt(colour.slice(1), 16);
      ramp.set([value >> 16, (value >> 8) & 255, value & 255, Math.round(opacity * 255)], 4 * i);
    }
    ramps.set(stops, ramp);
  }
  return ramp;
}

/** A part of a picture (unmultiplied red, green, blue, alpha) that shows the pixels of a box of a canvas. */
export interface PicturePart {
  readonly pixels: Uint8ClampedArray;
  /** Pixels of the picture to a row, and the first of this part. */
  readonly stride: number;
  readonly first: number;
  readonly box: Bounds;
}

/** What a ribbon is painted with and on: whole pixels at a time, both in the machine's own order of bytes. */
interface Paint {
  readonly whole: Uint32Array;
  readonly bytes: Uint8ClampedArray;
  readonly ramp: Uint8ClampedArray;
  readonly wholeRamp: Uint32Array;
}

/** Lays a colour over one that is there already; `cover` is how much of the pixel the stroke covers. */
function layOver({ whole, bytes, ramp, wholeRamp }: Paint, on: number, step: number, cover: number): void {
  if (cover >= 1) {
    whole[on] = wholeRamp[step]!;
    return;
  }
  if (cover <= 0) return;
  const from = 4 * step;
  const to = 4 * on;
  const above = ramp[from + 3]! * cover;
  const under = bytes[to + 3]! * (1 - cover);
  const alpha = above + under;
  if (alpha <= 0) return;
  for (let c = 0; c < 3; c++) bytes[to + c] = (ramp[from + c]! * above + bytes[to + c]! * under) / alpha;
  bytes[to + 3] = alpha;
}

/**
 * Colours a run of pixels. What no earlier part has coloured is coloured anyhow. This is the innermost loop of all painting: it is
 * given plain numbers, and makes nothing.
 * @param on the first pixel of the picture, `along[from]` its length along the path; `to` comes after the last.
 * @param least, most what lies before or beyond is not inked.
 * @param zero, perPixel from a length to a step of the ramp.
 * @param edge, wider the pen's half width at a length of 0 and by how much it is wider for each pixel along the path.
 * @param aside, further how far beside the path the run's first pixel lies, and each further one.
 */
function paintRun(
  paint: Paint,
  along: Float32Array,
  from: number,
  to: number,
  on: number,
  least: number,
  most: number,
  zero: number,
  perPixel: number,
  edge: number,
  wider: number,
  aside: number,
  further: number,
): void {
  const { whole, wholeRamp } = paint;
  for (let k = from; k < to; k++, on++) {
    const s = along[k]!;
    if (s < least || s > most) continue;
    const place = zero + s * perPixel;
    const step = place <= 0 ? 0 : place >= STEPS ? STEPS : place | 0;
    if (whole[on] === 0) whole[on] = wholeRamp[step]!;
    else layOver(paint, on, step, edge + s * wider - Math.abs(aside + (k - from) * further));
  }
}

/**
 * Paints a ribbon into a part of a picture that is clear. Where a part lies over an earlier one its edge is soft.
 * @param at where its path lies on that canvas.
 */
export function paintRibbon(
  ribbon: ColourRibbon,
  { field, left, top }: PlacedField,
  at: Placing,
  { pixels, stride, first, box }: PicturePart,
): void {
  const { ribs, inked, span, half, halves, reach, stops, isRound } = ribbon;
  const count = ribs.length / RIB.size;
  if (count < 2) return;
  const ramp = rampOf(stops);
  const paint: Paint = {
    whole: new Uint32Array(pixels.buffer, pixels.byteOffset, pixels.length / 4),
    bytes: pixels,
    ramp,
    wholeRamp: new Uint32Array(ramp.buffer),
  };
  const [width, height] = [box.right - box.left, box.bottom - box.top];
  const perPixel = STEPS / Math.max(1e-6, span.to - span.from);
  const length = ribs[(count - 1) * RIB.size + RIB.s]!;
  const far = reach * at.scale + HEM;
  const halfAt = (i: number): number =>
    (halves ? halves[i]! : half) * ribs[i * RIB.size + RIB.across]! * at.scale + 0.5;

  /** What lies along the path between two lengths; `round` is how far it has come before, round a closed path. */
  const stretch = (from: number, to: number, round: number): void => {
    const { columns, rows, pixels: begins, aside, further, along, slices } = field;
    const [dx, dy] = [left - box.left, top - box.top];
    const zero = (round - span.from) * perPixel + 0.5;
    const [begin, end] = [ribAt(ribbon, from).before, ribAt(ribbon, to).before];
    for (let i = begin; i <= end; i++) {
      const s0 = ribs[i * RIB.size + RIB.s]!;
      const s1 = ribs[(i + 1) * RIB.size + RIB.s]!;
      const h0 = halfAt(i);
      const wider = s1 > s0 ? (halfAt(i + 1) - h0) / (s1 - s0) : 0;
      // What lies in a slice may by rounding lie a little before or after its ribs.
      const least = i === begin ? from : -Infinity;
      const most = i === end ? to : Infinity;
      for (let r = slices[i]!; r < slices[i + 1]!; r++) {
        const x = columns[r]! + dx;
        const y = rows[r]! + dy;
        if (y < 0 || y >= height || x >= width) continue;
        // Of a run that begins before the part, what lies within it.
        const before = Math.max(0, -x);
        const p = begins[r]! + before;
        const upTo = Math.min(begins[r + 1]!, begins[r]! + width - x);
        const on = first + y * stride + x + before;
        const step = further[r]!;
        const out = aside[r]! + before * step;
        paintRun(paint, along, p, upTo, on, least, most, zero, perPixel, h0 - s0 * wider, wider, out, step);
      }
    }
  };

  /** What caps and ends ink beyond an end, in its colour: a stretch straight on, or all that is bare about it. */
  const beyond = (s: number, onward: 1 | -1, bareOnly: boolean): void => {
    const end = ribAt(ribbon, s > length ? s - length : s);
    const wide = end.half * at.scale;
    const step = Math.min(STEPS, Math.max(0, Math.round((s - span.from) * perPixel)));
    const colour = paint.wholeRamp[step]!;
    const [cx, cy] = [end.x * at.scale + at.x - box.left, end.y * at.scale + at.y - box.top];
    const [from, to] = [Math.max(0, Math.floor(cx - far)), Math.min(width - 1, Math.ceil(cx + far))];
    const [above, below] = [Math.max(0, Math.floor(cy - far)), Math.min(height - 1, Math.ceil(cy + far))];
    for (let y = above; y <= below; y++) {
      for (let x = from; x <= to; x++) {
        const rx = x + 0.5 - cx;
        const ry = y + 0.5 - cy;
        const on = first + y * stride + x;
        const bare = paint.whole[on] === 0;
        if (bareOnly) {
          if (bare && rx * rx + ry * ry <= far * far) paint.whole[on] = colour;
          continue;
        }
        const ahead = (rx * end.alongX + ry * end.alongY) * onward;
        const across = Math.abs(rx * end.alongY - ry * end.alongX);
        if (ahead < -1 || across > wide + HEM) continue;
        if (bare) paint.whole[on] = colour;
        else layOver(paint, on, step, wide + 0.5 - across);
      }
    }
  };

  if (!isRound) beyond(inked.from, -1, false);
  stretch(Math.min(inked.from, length), Math.min(inked.to, length), 0);
  if (inked.to > length) stretch(0, inked.to - length, length);
  if (!isRound) beyond(inked.to, 1, false);
  beyond(inked.from, -1, true);
  beyond(inked.to, 1, true);
}
