import { rampAt, type Stop } from '../colour';
import type { Bounds } from '../geometry';
import { RIB, ribAt, type ColourRibbon, type RibAt } from '../ink';
import { clamp } from '../numbers';
import type { PlacedField } from './fields';
import { HEM, type Placing, type RibbonField } from './ribbon-field';

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
  readonly part: PicturePart;
  readonly whole: Uint32Array;
  readonly ramp: Uint8ClampedArray;
  readonly wholeRamp: Uint32Array;
}

/** Lays a colour over one that is there already; `cover` is how much of the pixel the stroke covers. */
function layOver({ part, whole, ramp, wholeRamp }: Paint, on: number, step: number, cover: number): void {
  if (cover >= 1) {
    whole[on] = wholeRamp[step]!;
    return;
  }
  if (cover <= 0) return;
  const { pixels } = part;
  const from = 4 * step;
  const to = 4 * on;
  const above = ramp[from + 3]! * cover;
  const under = pixels[to + 3]! * (1 - cover);
  const alpha = above + under;
  if (alpha <= 0) return;
  for (let c = 0; c < 3; c++) pixels[to + c] = (ramp[from + c]! * above + pixels[to + c]! * under) / alpha;
  pixels[to + 3] = alpha;
}

/** Steps of the ramp at each grain of a path; made anew for each stretch, of which only a part is set. */
const stepAt = new Uint16Array(65_536);
/** What stands for no step: there is no ink. */
const NONE = 65_535;

/**
 * Sets the steps of the grains that lie between two lengths, px; none where there is no ink.
 * @param zero, perPixel from a length to its step.
 */
function setSteps(
  grain: number,
  first: number,
  last: number,
  inked: { readonly from: number; readonly to: number },
  zero: number,
  perPixel: number,
): void {
  // What lies in a slice may by rounding lie a little before or after its ribs.
  const upTo = Math.min(NONE, Math.ceil(last / grain) + 2);
  for (let g = Math.max(0, Math.floor(first / grain) - 2); g <= upTo; g++) {
    const s = g * grain;
    const step = Math.floor(zero + s * perPixel + 0.5);
    const isInked = (s >= inked.from || g === 0) && s <= inked.to;
    stepAt[g] = !isInked ? NONE : step < 0 ? 0 : step > STEPS ? STEPS : step;
  }
}

/**
 * Colours one slice of a field: each pixel by the step of its grain. What no earlier part has coloured is coloured anyhow. This is
 * the innermost loop of all painting, and a function by itself: one that is made anew for each ribbon would never run fast.
 * @param dx, dy from the field's corner to the part's.
 * @param s0 where the slice begins, px along the path; `half` the pen's half width there, `wider` how it goes on with each px.
 */
function paintSlice(
  paint: Paint,
  field: RibbonField,
  slice: number,
  dx: number,
  dy: number,
  s0: number,
  half: number,
  wider: number,
): void {
  const { columns, rows, pixels, aside, further, along, grain, slices } = field;
  const { part, whole, wholeRamp } = paint;
  const { stride, first, box } = part;
  const [width, height] = [box.right - box.left, box.bottom - box.top];
  const upTo = slices[slice + 1]!;
  for (let r = slices[slice]!; r < upTo; r++) {
    const x = columns[r]! + dx;
    const y = rows[r]! + dy;
    if (y < 0 || y >= height || x >= width) continue;
    const begin = pixels[r]!;
    const end = Math.min(pixels[r + 1]!, begin + width - x);
    const toPicture = first + y * stride + x - begin;
    // Of a run that begins before the part, what lies within it.
    for (let k = x < 0 ? begin - x : begin; k < end; k++) {
      const step = stepAt[along[k]!]!;
      if (step === NONE) continue;
      const on = k + toPicture;
      if (whole[on] === 0) whole[on] = wholeRamp[step]!;
      else {
        const out = aside[r]! + (k - begin) * further[r]!;
        const here = half + (along[k]! * grain - s0) * wider;
        layOver(paint, on, step, here - Math.abs(out));
      }
    }
  }
}

/**
 * Colours what caps and ends ink beyond an end: a stretch straight on, or all that is bare about it.
 * @param onward 1 at the head, −1 at the tail. @param far how far from the end pixels count, px.
 */
function paintBeyond(
  paint: Paint,
  end: RibAt,
  at: Placing,
  step: number,
  onward: 1 | -1,
  far: number,
  bareOnly: boolean,
): void {
  const { part, whole, wholeRamp } = paint;
  const { stride, first, box } = part;
  const wide = end.half * at.scale;
  const colour = wholeRamp[step]!;
  const cx = end.x * at.scale + at.x - box.left;
  const cy = end.y * at.scale + at.y - box.top;
  const from = Math.max(0, Math.floor(cx - far));
  const to = Math.min(box.right - box.left - 1, Math.ceil(cx + far));
  const above = Math.max(0, Math.floor(cy - far));
  const below = Math.min(box.bottom - box.top - 1, Math.ceil(cy + far));
  for (let y = above; y <= below; y++) {
    for (let x = from; x <= to; x++) {
      const rx = x + 0.5 - cx;
      const ry = y + 0.5 - cy;
      const on = first + y * stride + x;
      const bare = whole[on] === 0;
      if (bareOnly) {
        if (bare && rx * rx + ry * ry <= far * far) whole[on] = colour;
        continue;
      }
      const ahead = (rx * end.alongX + ry * end.alongY) * onward;
      const across = Math.abs(rx * end.alongY - ry * end.alongX);
      if (ahead < -1 || across > wide + HEM) continue;
      if (bare) whole[on] = colour;
      else layOver(paint, on, step, wide + 0.5 - across);
    }
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
  part: PicturePart,
): void {
  const { ribs, inked, span, half, halves, reach, stops, isRound } = ribbon;
  const { pixels, box } = part;
  const count = ribs.length / RIB.size;
  if (count < 2) return;
  const ramp = rampOf(stops);
  const paint: Paint = {
    part,
    whole: new Uint32Array(pixels.buffer, pixels.byteOffset, pixels.length / 4),
    ramp,
    wholeRamp: new Uint32Array(ramp.buffer),
  };
  const perPixel = STEPS / Math.max(1e-6, span.to - span.from);
  const sOf = (i: number): number => ribs[i * RIB.size + RIB.s]!;
  const length = sOf(count - 1);
  const far = reach * at.scale + HEM;
  const halfAt = (i: number): number =>
    (halves ? halves[i]! : half) * ribs[i * RIB.size + RIB.across]! * at.scale + 0.5;

  /** What lies along the path between two lengths; `round` is how far it has come before, round a closed path. */
  const stretch = (from: number, to: number, round: number): void => {
    const [begin, end] = [ribAt(ribbon, from).before, ribAt(ribbon, to).before];
    setSteps(field.grain, sOf(begin), sOf(end + 1), { from, to }, (round - span.from) * perPixel, perPixel);
    for (let i = begin; i <= end; i++) {
      const [s0, s1, h0] = [sOf(i), sOf(i + 1), halfAt(i)];
      const wider = s1 > s0 ? (halfAt(i + 1) - h0) / (s1 - s0) : 0;
      paintSlice(paint, field, i, left - box.left, top - box.top, s0, h0, wider);
    }
  };

  /** What lies beyond an end, in its colour. */
  const beyond = (s: number, onward: 1 | -1, bareOnly: boolean): void => {
    const step = clamp(Math.round((s - span.from) * perPixel), 0, STEPS);
    paintBeyond(paint, ribAt(ribbon, s > length ? s - length : s), at, step, onward, far, bareOnly);
  };

  if (!isRound) beyond(inked.from, -1, false);
  stretch(Math.min(inked.from, length), Math.min(inked.to, length), 0);
  if (inked.to > length) stretch(0, inked.to - length, length);
  if (!isRound) beyond(inked.to, 1, false);
  beyond(inked.from, -1, true);
  beyond(inked.to, 1, true);
}
