import { hexOfRgb } from '../../colour';
import { DEFAULT_INK, type Ink } from '../../document';
import { clamp } from '../../numbers';
import { keysOf, mapValues, valueAt } from '../../timing';
import type { MovingWindow } from '../moving';
import type { Reading } from './reading';
import { animatedBy, firstNumbers, isItem, isMoving, itemsOf, type Item } from './values';

const CAPS = { 1: 'flat', 2: 'round', 3: 'square' } as const;
const JOINS = { 1: 'miter', 2: 'round', 3: 'bevel' } as const;

/** The part of a path that a trim leaves (Lottie 1.0, Trim path). */
export function windowOf(trim: Item, { from, leftOut }: Reading): MovingWindow {
  const share = (property: unknown, otherwise: number) =>
    animatedBy(property, from, ([v = 0]) => v / 100, otherwise);
  const [start, end] = [share(trim.s, 0), share(trim.e, 1)];
  const slide = animatedBy(trim.o, from, ([v = 0]) => v / 360, 0);
  if (trim.m === 2) leftOut.add('trims that go through several paths one after another');
  // Whichever is greater is the head; where they change places neither is.
  const frames = [...keysOf(start), ...keysOf(end)].map(({ frame }) => frame);
  const apart = (frames.length > 0 ? frames : [0]).map((at) => valueAt(end, at) - valueAt(start, at));
  if (apart.every((v) => v >= 0)) return { head: end, tail: start, slide };
  if (!apart.every((v) => v <= 0)) leftOut.add('trims whose ends pass one another');
  return { head: start, tail: end, slide };
}

/** The ink of a stroke style; gradients as their first colour. */
export function inkOfStyle(style: Item, scale: number, opacity: number, { from, leftOut }: Reading): Ink {
  const isGradient = style.ty === 'gs';
  if (isGradient) leftOut.add('gradients along strokes');
  const [, r = 0, g = 0, b = 0] = isGradient ? firstNumbers(isItem(style.g) ? style.g.k : null, []) : [];
  if (isMoving(style.o)) leftOut.add('opacity that changes');
  const dashes = itemsOf(style.d);
  const pattern = dashes
    .filter(({ n }) => n === 'd' || n === 'g')
    .map(({ v }) => Math.max(0, firstNumbers(v, [0])[0]! * scale));
  const phase = dashes.find(({ n }) => n === 'o');
  return {
    ...DEFAULT_INK,
    width: mapValues(
      animatedBy(style.w, from, ([w = 1]) => Math.max(0, w), 1),
      (w) => Math.min(4000, w * scale),
    ),
    colour: isGradient
      ? hexOfRgb(r, g, b)
      : animatedBy(style.c, from, ([red = 0, green = 0, blue = 0]) => hexOfRgb(red, green, blue), '#ede6d8'),
    opacity: clamp(((firstNumbers(style.o, [100])[0] ?? 100) / 100) * opacity, 0, 1),
    cap: CAPS[style.lc as keyof typeof CAPS] ?? 'flat',
    join: JOINS[style.lj as keyof typeof JOINS] ?? 'miter',
    ...(pattern.some((n) => n > 0) && {
      dashes: {
        ...{ pattern: pattern.slice(0, 24).map((n) => Math.min(4000, n)), unit: 'px' as const },
        phase: animatedBy(phase?.v, from, ([v = 0]) => v * scale, 0),
        ...{ flow: 'stay' as const, speed: { value: 0, unit: 'px' as const, seamless: false } },
        ...{ fit: false, corners: false, grow: 0 },
      },
    }),
  };
}
