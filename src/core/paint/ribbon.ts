import { rampAt, type Stop } from '../colour';
import type { Bounds } from '../geometry';
import {
  RIB_ACROSS,
  RIB_S,
  RIB_SIZE,
  ribAt,
  ribBefore,
  type ColourRibbon,
  type RibAt,
  type Span,
} from '../ink';
import { clamp } from '../numbers';
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

/** A picture (unmultiplied red, green, blue, alpha) whose upper left part shows the pixels of a box of a canvas. */
interface PicturePart {
  readonly pixels: Uint8ClampedArray;
  /** Pixels of the picture to a row. */
  readonly stride: number;
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

/** Half the pen's width at a rib, canvas px, with half a pixel for its soft edge. */
const edgeAt = ({ ribs, half, halves }: ColourRibbon, rib: number, scale: number): number =>
  (halves ? halves[rib]! : half) * ribs[rib * RIB_SIZE + RIB_ACROSS]! * scale + 0.5;

/**
 * Colours slices of a field, from one to another: each pixel by the step of its grain. What no earlier part has coloured is coloured
 * anyhow. This is the innermost loop of all painting, and a function by itself: one that is made anew for each ribbon would never run
 * fast.
 */
function paintSlices(
  paint: Paint,
  ribbon: ColourRibbon,
  placed: PlacedField,
  scale: number,
  from: number,
  to: number,
): void {
  const { columns, rows, pixels, aside, further, along, grain, slices } = placed.field;
  const { part, whole, wholeRamp } = paint;
  const { stride, box } = part;
  const { ribs } = ribbon;
  const dx = placed.left - box.left;
  const dy = placed.top - box.top;
  const width = box.right - box.left;
  const height = box.bottom - box.top;
  for (let i = from; i <= to; i++) {
    const s0 = ribs[i * RIB_SIZE + RIB_S]!;
    const s1 = ribs[(i + 1) * RIB_SIZE + RIB_S]!;
    const edge = edgeAt(ribbon, i, scale);
    const wider = s1 > s0 ? (edgeAt(ribbon, i + 1, scale) - edge) / (s1 - s0) : 0;
    const upTo = slices[i + 1]!;
    for (let r = slices[i]!; r < upTo; r++) {
      const x = columns[r]! + dx;
      const y = rows[r]! + dy;
      if (y < 0 || y >= height || x >= width) continue;
      const begin = pixels[r]!;
      const end = Math.min(pixels[r + 1]!, begin + width - x);
      const toPicture = y * stride + x - begin;
      // Of a run that begins before the part, what lies within it.
      for (let k = x < 0 ? begin - x : begin; k < end; k++) {
        const step = stepAt[along[k]!]!;
        if (step === NONE) continue;
        const on = k + toPicture;
        if (whole[on] === 0) whole[on] = wholeRamp[step]!;
        else {
          const out = aside[r]! + (k - begin) * further[r]!;
          layOver(paint, on, step, edge + (along[k]! * grain - s0) * wider - Math.abs(out));
        }
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
  const { stride, box } = part;
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
      const on = y * stride + x;
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

/** From a length along a ribbon's path to its step: the step at none, and steps to a px. */
interface Steps {
  readonly zero: number;
  readonly perPixel: number;
}

/**
 * Colours what lies along the path between two lengths, px.
 * @param round how far it has come before, round a closed path.
 */
function paintStretch(
  paint: Paint,
  ribbon: ColourRibbon,
  placed: PlacedField,
  scale: number,
  inked: Span,
  round: number,
  { zero, perPixel }: Steps,
): void {
  const { ribs } = ribbon;
  const begin = ribBefore(ribs, inked.from);
  const end = ribBefore(ribs, inked.to);
  const first = ribs[begin * RIB_SIZE + RIB_S]!;
  const last = ribs[(end + 1) * RIB_SIZE + RIB_S]!;
  setSteps(placed.field.grain, first, last, inked, zero + round * perPixel, perPixel);
  paintSlices(paint, ribbon, placed, scale, begin, end);
}

/**
 * Paints a ribbon into a part of a picture that is clear. Where a part lies over an earlier one its edge is soft.
 * @param at where its path lies on that canvas.
 */
export function paintRibbon(ribbon: ColourRibbon, placed: PlacedField, at: Placing, part: PicturePart): void {
  const { ribs, inked, span, reach, stops, isRound } = ribbon;
  const count = ribs.length / RIB_SIZE;
  if (count < 2) return;
  const { pixels } = part;
  const ramp = rampOf(stops);
  const paint: Paint = {
    part,
    whole: new Uint32Array(pixels.buffer, pixels.byteOffset, pixels.length / 4),
    ramp,
    wholeRamp: new Uint32Array(ramp.buffer),
  };
  const length = ribs[(count - 1) * RIB_SIZE + RIB_S]!;
  const far = reach * at.scale + HEM;
  const perPixel = STEPS / Math.max(1e-6, span.to - span.from);
  const zero = -span.from * perPixel;
  const steps = { zero, perPixel };
  const tail = ribAt(ribbon, inked.from);
  const head = ribAt(ribbon, inked.to > length ? inked.to - length : inked.to);
  const tailStep = clamp(Math.round(zero + inked.from * perPixel), 0, STEPS);
  const headStep = clamp(Math.round(zero + inked.to * perPixel), 0, STEPS);

  if (!isRound) paintBeyond(paint, tail, at, tailStep, -1, far, false);
  const upTo = { from: Math.min(inked.from, length), to: Math.min(inked.to, length) };
  paintStretch(paint, ribbon, placed, at.scale, upTo, 0, steps);
  if (inked.to > length)
    paintStretch(paint, ribbon, placed, at.scale, { from: 0, to: inked.to - length }, length, steps);
  if (!isRound) paintBeyond(paint, head, at, headStep, 1, far, false);
  paintBeyond(paint, tail, at, tailStep, -1, far, true);
  paintBeyond(paint, head, at, headStep, 1, far, true);
}
