import { z } from 'zod';
import type { Caps } from './caps-and-joins';
import { stepsIn } from '../numbers';
import { keyedNumber, number } from '../properties';

/** A pattern of dashes along a stroke, and how it keeps to it while the stroke grows. */
export const dashesSchema = z.strictObject({
  /** Dash, gap, dash, gap …; an odd list counts twice (SVG 2, 13.5.6). In `unit`. */
  pattern: z
    .array(number({ name: 'Dash', unit: { field: 'unit' }, min: 0, max: 4000, scales: 'size' }))
    .min(1)
    .max(24)
    .readonly(),
  /** Pixels, widths of the stroke, or shares of its length. */
  unit: z.enum(['px', 'widths', 'share']),
  /** Where in the pattern it begins, in `unit`: stroke-dashoffset. */
  phase: keyedNumber({ name: 'Dash phase', unit: { field: 'unit' }, min: -1e6, max: 1e6, scales: 'size' }),
  /** Fixed to the path; hung on the tail; or flowing. */
  flow: z.enum(['stay', 'ride', 'march']),
  /** How it flows, towards the head; negative towards the tail. */
  speed: z.strictObject({
    value: z.number().min(-1e5).max(1e5),
    /** Pixels a second, or patterns a loop. */
    unit: z.enum(['px', 'patterns']),
    /** Rounded so that the piece ends as it began. */
    seamless: z.boolean(),
  }),
  /** Stretched to a whole number of repeats. */
  fit: z.boolean(),
  /** Corners lie in the middle of dashes. */
  corners: z.boolean(),
  /** How far every dash has grown into its gap: 0 the pattern, 1 an unbroken line, −1 nothing. */
  grow: keyedNumber({ name: 'Dash growth', unit: 'share', min: -1, max: 1 }),
});
export type Dashes = z.infer<typeof dashesSchema>;
type DashFlow = Dashes['flow'];

/** Patterns to begin with, in widths of the stroke; with round caps each dash is a width longer to the eye. */
export const DASH_PRESETS = {
  dash: [3, 3],
  dot: [0, 2.4],
  'dash dot': [4, 2.4, 0, 2.4],
  'long short': [7, 2.6, 2, 2.6],
} as const;
export type DashPreset = keyof typeof DASH_PRESETS;

/** Dashes to begin with. */
export const NEW_DASHES: Dashes = {
  pattern: DASH_PRESETS.dash,
  unit: 'widths',
  phase: 0,
  flow: 'stay',
  speed: { value: 60, unit: 'px', seamless: true },
  fit: false,
  corners: false,
  grow: 0,
};

/** The preset that dashes have the pattern of; null for one of their own. */
export function dashPresetOf({ pattern, unit }: Dashes): DashPreset | null {
  if (unit !== 'widths') return null;
  const names = Object.keys(DASH_PRESETS) as DashPreset[];
  return names.find((name) => DASH_PRESETS[name].join() === pattern.join()) ?? null;
}

/** Pixels to one of a dash pattern's unit, on a stroke of a width (px) and a length (px). */
export const dashUnit = (unit: Dashes['unit'], width: number, length: number): number =>
  unit === 'px' ? 1 : unit === 'widths' ? width : length;

/** Dashes whose pattern is given in another unit, and looks as it did on a stroke of a width and a length (px). */
export function dashesInUnit(dashes: Dashes, unit: Dashes['unit'], width: number, length: number): Dashes {
  const k = dashUnit(dashes.unit, width, length) / dashUnit(unit, width, length);
  return { ...dashes, unit, pattern: dashes.pattern.map((part) => part * k) };
}

/** A pattern as it is typed: “18 12 4 12”, by whatever parts the numbers; null where it can't be read. */
export function readPattern(text: string): readonly number[] | null {
  const parts = text.trim().split(/[\s,·;]+/);
  const read = dashesSchema.shape.pattern.safeParse(parts.map((part) => (part === '' ? NaN : Number(part))));
  return read.success ? read.data : null;
}

/** Dashes along one stroke at one moment; lengths in px. */
export interface DashesNow {
  /** An even number of lengths, dash and gap in turn. */
  readonly pattern: readonly number[];
  readonly phase: number;
  readonly flow: DashFlow;
  readonly fit: boolean;
  readonly corners: boolean;
}

/** A stretch of ink, in px from the start of the path; on a closed path `to` may pass the whole length. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

/** More dashes than anyone can tell apart, of which drawing would choke: drawn as an unbroken line. */
const DASHES_AT_MOST = 20_000;
const TOUCHING = 1e-6;
/** A pattern of less is an unbroken line, px: what lies so near together is one. */
const FINEST_PERIOD = 1e-3;

/** An odd list of lengths is repeated to make an even one (SVG 2, 13.5.6). */
export const evenPattern = (pattern: readonly number[]): readonly number[] =>
  pattern.length % 2 === 0 ? pattern : [...pattern, ...pattern];

export const patternLength = (pattern: readonly number[]): number =>
  pattern.reduce((sum, length) => sum + length, 0);

/** The pattern with every dash grown into the gap behind it (1: closed), or shrunk (−1: gone). */
export function grownPattern(pattern: readonly number[], grow: number): readonly number[] {
  if (grow === 0) return pattern;
  return pattern.map((_, i) => {
    const dash = pattern[i - (i % 2)]!;
    const gap = pattern[i - (i % 2) + 1]!;
    const grown = grow > 0 ? dash + grow * gap : dash * (1 + grow);
    return i % 2 === 0 ? grown : dash + gap - grown;
  });
}

/** A piece of the rule that maps lengths along the path to lengths along the pattern. */
interface Side {
  readonly from: number;
  readonly to: number;
  /** Length along the pattern at `from`, and how much of it a pixel of path takes. */
  readonly at: number;
  readonly rate: number;
}

const wholeNumber = (length: number, unit: number): number => Math.max(1, Math.round(length / unit));

/** How the pattern lies on the path: one rule, or one for each side between corners. */
function layPattern(dashes: DashesNow, length: number, closed: boolean, corners: readonly number[]): Side[] {
  const { pattern, phase } = dashes;
  const period = patternLength(pattern);
  if (dashes.corners && dashes.flow !== 'ride' && corners.length + (closed ? 0 : 1) > 0) {
    const inner = corners.filter((s) => s > TOUCHING && s < length - TOUCHING);
    const atStart = !closed || corners.some((s) => s <= TOUCHING || s >= length - TOUCHING);
    const stops = atStart ? [0, ...inner, length] : inner;
    if (stops.length > 0) {
      const half = pattern[0]! / 2;
      const sides: Side[] = [];
      // Where a closed path starts within a side, that side runs through its first point.
      const pairs: [number, number][] = stops.slice(1).map((to, i) => [stops[i]!, to]);
      if (!atStart) pairs.push([stops.at(-1)!, stops[0]! + length]);
      let at = half;
      for (const [from, to] of pairs) {
        const repeats = wholeNumber(to - from, period);
        const rate = (repeats * period) / (to - from);
        sides.push({ from, to, at: at + phase, rate });
        at += repeats * period;
      }
      if (!atStart) {
        const across = sides.at(-1)!;
        sides.unshift({
          from: 0,
          to: stops[0]!,
          at: across.at + (length - across.from) * across.rate,
          rate: across.rate,
        });
        sides[sides.length - 1] = { ...across, to: length };
      }
      return sides;
    }
  }
  let rate = 1;
  if (dashes.fit) {
    // An open stroke that stands still ends with a dash: its last gap is left out.
    const open = !closed && dashes.flow === 'stay';
    const spare = open ? pattern.at(-1)! : 0;
    const repeats = Math.max(1, Math.round((length + spare) / period));
    const fitted = repeats * period - spare;
    if (fitted > 0) rate = fitted / length;
  }
  return [{ from: 0, to: length, at: phase, rate }];
}

/** Dashes between two lengths under one rule, appended; what touches the last one continues it. */
function dashSide(
  out: Span[],
  pattern: readonly number[],
  period: number,
  side: Side,
  from: number,
  to: number,
): void {
  const start = side.at + (from - side.from) * side.rate;
  const end = side.at + (to - side.from) * side.rate;
  const first = Math.floor(start / period) * period;
  // Counted, not added up: far along a fine pattern a step may be less than a number can tell.
  const repeats = stepsIn(end - first, period, DASHES_AT_MOST) + 1;
  for (let k = 0, i = 0, base = first; k < repeats && base <= end;) {
    const dash = pattern[i]!;
    const [a, b] = [base, base + dash];
    // A dash without length counts where it lies; one that only touches the stretch's edge does not.
    const inside = dash > 0 ? b > start && a < end : a >= start && (a < end || (a === end && to === side.to));
    if (inside) {
      const span = {
        from: Math.max(from, side.from + (a - side.at) / side.rate),
        to: Math.min(to, side.from + (b - side.at) / side.rate),
      };
      const last = out.at(-1);
      if (last && span.from - last.to <= TOUCHING)
        out[out.length - 1] = { from: last.from, to: Math.max(last.to, span.to) };
      else out.push({ from: span.from, to: Math.max(span.from, span.to) });
    }
    base += dash + pattern[i + 1]!;
    i = (i + 2) % pattern.length;
    if (i === 0) k++;
  }
}

/**
 * Where dashes lie on the inked part of a path. Semantics of SVG 2, 13.5.6: the pattern starts with the path, a phase
 * moves it back; zero lengths stay as places for a cap. Where a dash reaches the end of a closed path that is inked
 * all round and another begins there, they are one.
 * @param corners lengths at which the path turns on the spot, ascending.
 */
export function dashSpans(
  dashes: DashesNow,
  length: number,
  closed: boolean,
  inked: Span,
  corners: readonly number[] = [],
): Span[] {
  const { pattern } = dashes;
  const period = patternLength(pattern);
  if (!(period > FINEST_PERIOD) || (inked.to - inked.from) / period > DASHES_AT_MOST) return [inked];
  const out: Span[] = [];
  if (dashes.flow === 'ride') {
    const [rule] = layPattern(dashes, length, closed, []);
    dashSide(out, pattern, period, { ...rule!, from: inked.from, to: inked.to }, inked.from, inked.to);
    return out;
  }
  const sides = layPattern(dashes, length, closed, corners);
  for (const turn of closed ? [0, length] : [0]) {
    for (const side of sides) {
      const [from, to] = [Math.max(inked.from, side.from + turn), Math.min(inked.to, side.to + turn)];
      if (to < from || (to === from && to - turn !== side.to)) continue;
      dashSide(out, pattern, period, { ...side, from: side.from + turn, to: side.to + turn }, from, to);
    }
  }
  const [first, last] = [out[0], out.at(-1)];
  if (closed && first && last && first !== last && inked.to - inked.from >= length - TOUCHING) {
    if (first.from - inked.from <= TOUCHING && inked.to - last.to <= TOUCHING) {
      out.shift();
      out[out.length - 1] = { from: last.from, to: first.to + length };
    }
  }
  return out;
}

/** By how many widths caps lengthen each dash: half of one for each that is not flat. */
const lengthening = ({ start, end }: Caps): number =>
  (start === 'flat' ? 0 : 0.5) + (end === 'flat' ? 0 : 0.5);

/** The gap that the eye sees: caps other than flat lengthen each dash. */
export const seenGap = (gap: number, width: number, caps: Caps): number => gap - lengthening(caps) * width;

/** How much of a width must stay open for a gap to read as one (our own choice). */
const OPEN_GAP = 0.5;

/** The pattern (px) with gaps that caps would close opened to half a width; the same list where none closes. */
export function mendedPattern(pattern: readonly number[], width: number, caps: Caps): readonly number[] {
  const even = evenPattern(pattern);
  const closes = (length: number, i: number): boolean =>
    i % 2 === 1 && seenGap(length, width, caps) < 0.05 * width;
  if (!even.some(closes)) return pattern;
  return even.map((length, i) => (closes(length, i) ? width * (lengthening(caps) + OPEN_GAP) : length));
}

/**
 * How far (px, towards the head) a marching pattern has flowed at a frame.
 * @param period length of the pattern as it lies on the path, px.
 * @param loop frames after which the piece begins again.
 */
export function marchedBy(
  speed: Dashes['speed'],
  period: number,
  frame: number,
  framesPerSecond: number,
  loop: number,
): number {
  const perLoop = speed.unit === 'patterns' ? speed.value : (speed.value * (loop / framesPerSecond)) / period;
  const whole = Math.round(perLoop) || Math.sign(perLoop);
  return ((speed.seamless ? whole : perLoop) * period * frame) / loop;
}
