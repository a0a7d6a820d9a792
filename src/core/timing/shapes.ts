/** Progress for progress; from 0 at 0 to 1 at 1. */
export type Curve = (x: number) => number;

/** The way an easing takes: slow at its start, at its end, or at both. */
export type Way = 'in' | 'out' | 'both';

/** Curves of the trade, as they come in: Penner 2002, Programming Macromedia Flash MX, ch. 7, brought to 0..1. */
const COMING_IN = {
  sine: (x: number) => 1 - Math.cos((x * Math.PI) / 2),
  quadratic: (x: number) => x * x,
  cubic: (x: number) => x ** 3,
  quartic: (x: number) => x ** 4,
  quintic: (x: number) => x ** 5,
  // 2^(10(x − 1)), bent so that it starts at nothing and ends at one.
  exponential: (x: number) => (2 ** (10 * x) - 1) / 1023,
  circular: (x: number) => 1 - Math.sqrt(1 - x * x),
} as const satisfies Record<string, Curve>;

export type ShapeName = keyof typeof COMING_IN;
export const SHAPE_NAMES = Object.keys(COMING_IN) as ShapeName[];

/** A curve that comes in, turned to go out, or to do both in halves. */
function onWay(curve: Curve, way: Way): Curve {
  if (way === 'in') return curve;
  if (way === 'out') return (x) => 1 - curve(1 - x);
  return (x) => (x < 0.5 ? curve(2 * x) / 2 : 1 - curve(2 - 2 * x) / 2);
}

export const shapeCurve = (name: ShapeName, way: Way): Curve => onWay(COMING_IN[name], way);

/**
 * Draws back before it goes: x²((s + 1)x − s) for an overshoot s, of which 1.70158 is a tenth of the way (Penner 2002). Both
 * ways it is the same curve at half its size at either end, as d3-ease has it: half as far beyond. Penner's own form of that
 * takes 1.525 s instead, which `overshoot` can be set to.
 */
export const backCurve = (overshoot: number, way: Way): Curve =>
  onWay((x) => x * x * ((overshoot + 1) * x - overshoot), way);

/** Swings like a string let go: amplitude of 1 or more, period as a share of the time (Penner 2002). */
export function elasticCurve(amplitude: number, period: number, way: Way): Curve {
  const a = Math.max(1, amplitude);
  const shift = Math.asin(1 / a) * (period / (2 * Math.PI));
  // Falls by 2^−10, bent so that it ends at nothing.
  const fall = (x: number): number => (2 ** (-10 * x) - 2 ** -10) / (1 - 2 ** -10);
  return onWay((x) => a * fall(1 - x) * Math.sin((shift + 1 - x) * ((2 * Math.PI) / period)), way);
}

/** Falls to its place and bounces three times, each bounce a quarter as high (Penner 2002). */
function bounceOut(x: number): number {
  const k = 7.5625;
  if (x < 4 / 11) return k * x * x;
  if (x < 8 / 11) return k * (x - 6 / 11) ** 2 + 3 / 4;
  if (x < 10 / 11) return k * (x - 9 / 11) ** 2 + 15 / 16;
  return k * (x - 21 / 22) ** 2 + 63 / 64;
}
export const bounceCurve = (way: Way): Curve => onWay((x) => 1 - bounceOut(1 - x), way);

/** The smoothest way of a hand from rest to rest: 10τ³ − 15τ⁴ + 6τ⁵ (Flash & Hogan 1985, J. Neuroscience 5(7)). */
export const minimumJerk: Curve = (x) => x ** 3 * (10 + x * (6 * x - 15));

/** What is left of a spring's swing when it counts as settled. */
const SETTLED = 1e-3;

/**
 * A mass on a damped spring let go at rest from 0 towards 1. Time is scaled so that it has settled, to a thousandth, at the
 * end; what is then left is taken off evenly, so that it ends in its place.
 * @param mass, stiffness, damping of m·x″ + c·x′ + k·x = 0.
 */
export function springCurve(mass: number, stiffness: number, damping: number): Curve {
  const natural = Math.sqrt(stiffness / mass);
  const ratio = damping / (2 * Math.sqrt(stiffness * mass));
  const at = (t: number): number => {
    if (ratio < 1) {
      const swing = natural * Math.sqrt(1 - ratio * ratio);
      const decay = Math.exp(-ratio * natural * t);
      return 1 - decay * (Math.cos(swing * t) + ((ratio * natural) / swing) * Math.sin(swing * t));
    }
    if (ratio === 1) return 1 - Math.exp(-natural * t) * (1 + natural * t);
    const root = natural * Math.sqrt(ratio * ratio - 1);
    const [r1, r2] = [-ratio * natural + root, -ratio * natural - root];
    return 1 - (r2 * Math.exp(r1 * t) - r1 * Math.exp(r2 * t)) / (r2 - r1);
  };
  // The slowest part of the swing decides when it has settled.
  const apart = Math.sqrt(Math.abs(ratio * ratio - 1));
  const slowest = ratio < 1 ? ratio * natural : natural * (ratio - apart);
  // At critical damping the swing falls as (1 + ωt)·e^(−ωt), which is e^(−ωt) of about twelve times the start.
  const envelope = ratio < 1 ? 1 / apart : Math.min(12, (ratio + apart) / (2 * apart));
  const span = Math.log(envelope / SETTLED) / slowest;
  const left = 1 - at(span);
  return (x) => at(x * span) + left * x;
}

/** A staircase of CSS Easing Functions Level 1, section 2.4. */
export function stepsCurve(count: number, jump: 'start' | 'end' | 'none' | 'both'): Curve {
  const jumps = jump === 'none' ? count - 1 : jump === 'both' ? count + 1 : count;
  return (x) => {
    let step = Math.floor(x * count);
    if (jump === 'start' || jump === 'both') step++;
    if (x >= 0 && step < 0) step = 0;
    if (x <= 1 && step > jumps) step = jumps;
    return jumps > 0 ? step / jumps : x < 1 ? 0 : 1;
  };
}

/** Straight lines between points, those of CSS Easing Functions Level 2, linear(): it goes on as its end lines do. */
export function listCurve(points: readonly { readonly at: number; readonly value: number }[]): Curve {
  const last = points.length - 1;
  if (last === 0) return () => points[0]!.value;
  return (x) => {
    let i = 0;
    while (i < last - 1 && points[i + 1]!.at <= x) i++;
    const [a, b] = [points[i]!, points[i + 1]!];
    return b.at === a.at ? b.value : a.value + ((b.value - a.value) * (x - a.at)) / (b.at - a.at);
  };
}
