import { z } from 'zod';
import { cubicBezier } from './cubic-bezier';
import {
  backCurve,
  bounceCurve,
  elasticCurve,
  listCurve,
  minimumJerk,
  SHAPE_NAMES,
  shapeCurve,
  springCurve,
  stepsCurve,
  type Curve,
  type ShapeName,
  type Way,
} from './shapes';

const way = z.enum(['in', 'out', 'both']);
const share = z.number().min(0).max(1);
const value = z.number().min(-10).max(10);

/**
 * How a value travels from one key to the next. `bezier` and `steps` are cubic-bezier() and steps() of CSS Easing Functions
 * Level 1, `list` is linear() of Level 2, also what a hand draws; the rest are the trade's curves and a physical spring.
 */
export const easingSchema = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('linear') }),
  z.strictObject({ type: z.literal('hold') }),
  z.strictObject({ type: z.literal('bezier'), x1: share, y1: value, x2: share, y2: value }),
  z
    .strictObject({
      type: z.literal('steps'),
      count: z.number().int().min(1).max(1000),
      jump: z.enum(['start', 'end', 'none', 'both']),
    })
    .refine(({ count, jump }) => jump !== 'none' || count > 1, {
      message: 'needs two steps to jump at neither end',
    }),
  z.strictObject({
    type: z.literal('list'),
    points: z
      .array(z.strictObject({ at: z.number().min(-1).max(2), value }))
      .min(1)
      .max(500)
      .refine((all) => all.every((p, i) => i === 0 || p.at >= all[i - 1]!.at), {
        message: 'must stand in ascending order',
      })
      .readonly(),
  }),
  z.strictObject({ type: z.literal('shape'), name: z.enum(SHAPE_NAMES as [ShapeName, ...ShapeName[]]), way }),
  z.strictObject({ type: z.literal('back'), overshoot: z.number().min(0).max(20), way }),
  z.strictObject({
    type: z.literal('elastic'),
    amplitude: z.number().min(1).max(20),
    period: z.number().min(0.05).max(2),
    way,
  }),
  z.strictObject({ type: z.literal('bounce'), way }),
  z.strictObject({
    type: z.literal('spring'),
    mass: z.number().min(0.01).max(100),
    stiffness: z.number().min(1).max(10_000),
    damping: z.number().min(0.1).max(1000),
    /** The same motion backwards: at rest first, then ever wilder. */
    reversed: z.literal(true).exactOptional(),
  }),
  z.strictObject({ type: z.literal('minimum jerk') }),
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

function curveOf(easing: Easing): Curve {
  switch (easing.type) {
    case 'linear':
      return (x) => x;
    case 'hold':
      return (x) => (x < 1 ? 0 : 1);
    case 'bezier':
      return cubicBezier(easing.x1, easing.y1, easing.x2, easing.y2);
    case 'steps':
      return stepsCurve(easing.count, easing.jump);
    case 'list':
      return listCurve(easing.points);
    case 'shape':
      return shapeCurve(easing.name, easing.way);
    case 'back':
      return backCurve(easing.overshoot, easing.way);
    case 'elastic':
      return elasticCurve(easing.amplitude, easing.period, easing.way);
    case 'bounce':
      return bounceCurve(easing.way);
    case 'spring': {
      const curve = springCurve(easing.mass, easing.stiffness, easing.damping);
      return easing.reversed ? (x) => 1 - curve(1 - x) : curve;
    }
    case 'minimum jerk':
      return minimumJerk;
  }
}

const curves = new WeakMap<Easing, Curve>();

/** Progress (0..1, beyond for overshooting curves) at progress `x` of the time between two keys. */
export function ease(easing: Easing, x: number): number {
  if (easing.type === 'linear') return x;
  let curve = curves.get(easing);
  if (!curve) curves.set(easing, (curve = curveOf(easing)));
  return curve(x);
}

/** Speed of an easing at progress `x`, as times its mean: the slope of its curve. */
export function easeSpeed(easing: Easing, x: number): number {
  const d = 1e-4;
  const [a, b] = [Math.max(0, x - d), Math.min(1, x + d)];
  return (ease(easing, b) - ease(easing, a)) / (b - a);
}

/**
 * The easing of a stroke that lands softly: a brisk start and an arrival at rest.
 * @param landing influence of the arriving key, 0 (no easing at all) to 1; 0.7 to 0.8 is common practice.
 */
export function landingEasing(landing: number): Easing {
  if (landing <= 0) return LINEAR;
  return { type: 'bezier', x1: 0.3, y1: 0, x2: 1 - Math.min(1, landing), y2: 1 };
}

/** Places at which an easing is looked through. */
const PLACES = 120;

/** The furthest an easing goes beyond where it leaves from or arrives at, as a share of its way; 0 where it stays between. */
export const overshootOf = (easing: Easing): number =>
  Math.max(
    ...Array.from({ length: PLACES + 1 }, (_, i) => {
      const value = ease(easing, i / PLACES);
      return Math.max(value - 1, -value);
    }),
  );

/** An easing drawn by hand. */
type DrawnEasing = Extract<Easing, { type: 'list' }>;

/** A drawn easing with its point nearest to a place at another value. */
export function drawnEasing(easing: DrawnEasing, at: number, value: number): DrawnEasing {
  const off = easing.points.map((point) => Math.abs(point.at - at));
  const nearest = off.indexOf(Math.min(...off));
  return {
    ...easing,
    points: easing.points.map((point, i) => (i === nearest ? { ...point, value } : point)),
  };
}

const turnedWay = (way: Way): Way => (way === 'in' ? 'out' : way === 'out' ? 'in' : 'both');

/** The easing that goes the same way back: its progress at x is 1 − that of the given one at 1 − x. */
export function reversedEasing(easing: Easing): Easing {
  switch (easing.type) {
    case 'linear':
    case 'minimum jerk':
      return easing;
    case 'hold':
      return { type: 'steps', count: 1, jump: 'start' };
    case 'bezier':
      return { type: 'bezier', x1: 1 - easing.x2, y1: 1 - easing.y2, x2: 1 - easing.x1, y2: 1 - easing.y1 };
    case 'steps': {
      if (easing.count === 1 && easing.jump === 'start') return HOLD;
      const jump = easing.jump === 'start' ? 'end' : easing.jump === 'end' ? 'start' : easing.jump;
      return { ...easing, jump };
    }
    case 'list':
      return {
        type: 'list',
        points: easing.points.map(({ at, value: v }) => ({ at: 1 - at, value: 1 - v })).reverse(),
      };
    case 'spring': {
      const { reversed, ...forwards } = easing;
      return reversed ? forwards : { ...forwards, reversed: true };
    }
    default:
      return { ...easing, way: turnedWay(easing.way) };
  }
}
