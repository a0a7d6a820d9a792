import { z } from 'zod';
import { cubicBezier } from './cubic-bezier';

/** How a value travels from one key to the next. `bezier` is the cubic-bezier() of CSS Easing Functions Level 1. */
export const easingSchema = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('linear') }),
  z.strictObject({ type: z.literal('hold') }),
  z.strictObject({
    type: z.literal('bezier'),
    x1: z.number().min(0).max(1),
    y1: z.number().min(-10).max(10),
    x2: z.number().min(0).max(1),
    y2: z.number().min(-10).max(10),
  }),
]);
export type Easing = z.infer<typeof easingSchema>;

export const LINEAR: Easing = { type: 'linear' };
export const HOLD: Easing = { type: 'hold' };

/** The keywords of CSS Easing Functions Level 1, section 2.3. */
export const CSS_EASE = {
  ease: { type: 'bezier', x1: 0.25, y1: 0.1, x2: 0.25, y2: 1 },
  'ease-in': { type: 'bezier', x1: 0.42, y1: 0, x2: 1, y2: 1 },
  'ease-out': { type: 'bezier', x1: 0, y1: 0, x2: 0.58, y2: 1 },
  'ease-in-out': { type: 'bezier', x1: 0.42, y1: 0, x2: 0.58, y2: 1 },
} as const satisfies Record<string, Easing>;

const curves = new WeakMap<Easing, (x: number) => number>();

/** Progress (0..1, beyond for overshooting curves) at progress `x` of the time between two keys. */
export function ease(easing: Easing, x: number): number {
  if (easing.type === 'linear') return x;
  if (easing.type === 'hold') return x < 1 ? 0 : 1;
  let curve = curves.get(easing);
  if (!curve) {
    curve = cubicBezier(easing.x1, easing.y1, easing.x2, easing.y2);
    curves.set(easing, curve);
  }
  return curve(x);
}

/**
 * The easing of a stroke that lands softly: a brisk start and an arrival at rest.
 * @param landing influence of the arriving key, 0 (no easing at all) to 1; 0.7 to 0.8 is common practice.
 */
export function landingEasing(landing: number): Easing {
  if (landing <= 0) return LINEAR;
  return { type: 'bezier', x1: 0.3, y1: 0, x2: 1 - Math.min(1, landing), y2: 1 };
}
