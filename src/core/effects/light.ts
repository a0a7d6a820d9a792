import { z } from 'zod';
import type { DrawItem, Filter, GroupItem } from '../draw';
import { keyedColour, keyedLength, keyedNumber, keyedOffset, keyedOpacity } from '../properties';
import type { Items } from './effect';
import type { Now } from './now';
import { asOne } from './laid-over';

/** Light round something, or within it along its edge. */
export const glowSchema = z.strictObject({
  /** How far it reaches, px: twice the standard deviation of the blur. */
  size: keyedLength('Size', { initial: 24 }),
  /** By how much it is strengthened; 1 is the blur alone. */
  gain: keyedNumber({ name: 'Strength', unit: 'times', min: 0, max: 20, initial: 1.6 }),
  colour: keyedColour('Colour', '#ff6b3d'),
  opacity: keyedOpacity(0.9),
});
export type Glow = z.infer<typeof glowSchema>;

export const shadowSchema = z.strictObject({
  x: keyedOffset('Offset X', { initial: 6 }),
  y: keyedOffset('Offset Y', { initial: 8 }),
  /** px: twice the standard deviation. */
  blur: keyedLength('Blur', { initial: 14 }),
  colour: keyedColour('Colour', '#000000'),
  opacity: keyedOpacity(0.6),
});
export type Shadow = z.infer<typeof shadowSchema>;

const blurOf = (size: number): Filter[] => (size > 0 ? [{ kind: 'blur', deviation: size / 2 }] : []);

/** The shadow that items throw; none where it could not be seen. */
export function shadowUnder(
  items: Items,
  { x, y, blur, colour: tint, opacity: strength }: Now<Shadow>,
): Items {
  if (items.length === 0 || strength <= 0) return [];
  const filters: Filter[] = [
    { kind: 'tint', colour: tint },
    ...blurOf(blur),
    { kind: 'shift', by: { x, y } },
  ];
  return [{ kind: 'group', items, filters, opacity: strength }];
}

/** The light round items, to lie under them; none where it could not be seen. */
export function glowUnder(items: Items, { size, gain, colour: tint, opacity: strength }: Now<Glow>): Items {
  if (items.length === 0 || strength <= 0 || gain <= 0) return [];
  const filters: Filter[] = [{ kind: 'tint', colour: tint }, ...blurOf(size), { kind: 'gain', factor: gain }];
  return [{ kind: 'group', items, filters, opacity: strength }];
}

/** The light within items, to lie over them: what lies within them but not under their own blur is near their edge. */
export function glowWithin(items: Items, { size, gain, colour: tint, opacity: strength }: Now<Glow>): Items {
  if (items.length === 0 || strength <= 0 || gain <= 0) return [];
  const tinted: GroupItem = { kind: 'group', items, filters: [{ kind: 'tint', colour: tint }], opacity: 1 };
  const blurred: DrawItem = {
    kind: 'group',
    items,
    ...(size > 0 && { filters: blurOf(size) }),
    operator: 'erase',
    opacity: 1,
  };
  const edge: GroupItem = {
    kind: 'group',
    items: [tinted, blurred],
    filters: [{ kind: 'gain', factor: gain }],
    opacity: 1,
  };
  return [{ kind: 'group', items: [edge, { ...asOne(items), operator: 'keep' }], opacity: strength }];
}
