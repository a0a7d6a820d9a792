import { z } from 'zod';
import {
  compose,
  pointAtLength,
  tangentAtLength,
  transformCommands,
  translation,
  type MeasuredPath,
  type PathCommand,
  type Point,
} from '../geometry';
import { clamp } from '../numbers';
import { colour, number } from '../properties';
import { disc } from './dot';

const endShapeSchema = z.enum([
  'bar',
  'dot',
  'ring',
  'diamond',
  'chevron',
  'open arrow',
  'solid arrow',
  'reed tip',
]);
export type EndShape = z.infer<typeof endShapeSchema>;
export const END_SHAPES = endShapeSchema.options;

/** What rides an end of a stroke. */
export const strokeEndSchema = z.strictObject({
  shape: endShapeSchema,
  /** Its height in widths of the stroke. */
  size: number({ name: 'Size', unit: 'widths', min: 0.1, max: 100, initial: 4 }),
  /** Its own colour; where absent, the stroke's. */
  colour: colour('Colour').exactOptional(),
});
export type StrokeEnd = z.infer<typeof strokeEndSchema>;

/**
 * A shape of height 1 about the end of a stroke that comes from the left along the x axis and ends at 0.
 * `thin` is the stroke's width in the same measure.
 */
interface Form {
  readonly outline: (thin: number) => PathCommand[];
  /** How far back it reaches: over this length it looks where it points. */
  readonly reach: number;
  /** How far from the end the stroke stops, inside the shape. */
  readonly stop: (thin: number) => number;
}

const polygon = (...points: [number, number][]): PathCommand[] => [
  ...points.map(([x, y], i): PathCommand => [i === 0 ? 'M' : 'L', x, y]),
  ['Z'],
];

/** Turned the other way round, so that it cuts a hole by the nonzero rule. */
const hole = (x: number, y: number, r: number): PathCommand[] =>
  disc(x, y, r).map((c): PathCommand =>
    c[0] === 'M' || c[0] === 'L'
      ? [c[0], c[1], 2 * y - c[2]]
      : c[0] === 'C'
        ? ['C', c[1], 2 * y - c[2], c[3], 2 * y - c[4], c[5], 2 * y - c[6]]
        : c,
  );

const ringWall = (thin: number): number => clamp(thin * 0.8, 0.12, 0.32);
/** Two arms from a tip at 0, `arm` thick measured along the stroke. */
const arms = (length: number, arm: number): PathCommand[] =>
  polygon([0, 0], [-length, 0.5], [-length - arm, 0.5], [-arm, 0], [-length - arm, -0.5], [-length, -0.5]);

const FORMS: Record<EndShape, Form> = {
  bar: {
    outline: (thin) => polygon([-thin / 2, -0.5], [thin / 2, -0.5], [thin / 2, 0.5], [-thin / 2, 0.5]),
    reach: 0.5,
    stop: () => 0,
  },
  dot: { outline: () => disc(0, 0, 0.5), reach: 0.5, stop: () => 0 },
  ring: {
    outline: (thin) => [...disc(0, 0, 0.5), ...hole(0, 0, 0.5 - ringWall(thin))],
    reach: 0.5,
    stop: (thin) => 0.5 - ringWall(thin) / 2,
  },
  diamond: { outline: () => polygon([0.5, 0], [0, 0.5], [-0.5, 0], [0, -0.5]), reach: 0.5, stop: () => 0 },
  chevron: {
    outline: () => arms(0.45, 0.42),
    reach: 0.87,
    stop: () => 0.36,
  },
  'open arrow': {
    outline: (thin) => {
      const arm = Math.min(0.6, thin * 1.35);
      return arms(0.55, arm);
    },
    reach: 0.75,
    stop: (thin) => Math.min(0.6, thin * 1.35) * 0.5 + thin * 0.3,
  },
  'solid arrow': {
    outline: () => polygon([0, 0], [-1.05, 0.5], [-1.05, -0.5]),
    reach: 1.05,
    stop: () => 0.72,
  },
  'reed tip': {
    outline: () => [
      ['M', 0, 0],
      ['C', -0.55, 0.1, -1, 0.42, -1.5, 0.5],
      ['C', -1.42, 0.3, -1.32, 0.12, -1.3, 0],
      ['C', -1.32, -0.12, -1.42, -0.3, -1.5, -0.5],
      ['C', -1, -0.42, -0.55, -0.1, 0, 0],
      ['Z'],
    ],
    reach: 1.4,
    stop: () => 1.1,
  },
};

/** An end as it stands on the path: what to fill, and how much of the stroke it takes the place of (px). */
export interface PlacedEnd {
  readonly outline: readonly PathCommand[];
  readonly stop: number;
}

/** How long a stroke must be, in lengths of the end, before the end has its full size. */
const GROWN = 1.5;

/**
 * Sets an end onto a stroke. It points along the chord over its own length, so that it does not twitch in small bends,
 * and grows from nothing with the stroke.
 * @param at where the end lies, px along the path; `inward` is −1 for a head, whose stroke lies behind it, and 1 for a tail.
 * @param visible length of the ink the end may take for itself, px.
 * @param width of the whole stroke, px.
 */
export function placeEnd(
  m: MeasuredPath,
  end: StrokeEnd,
  at: number,
  inward: 1 | -1,
  visible: number,
  width: number,
): PlacedEnd | null {
  const form = FORMS[end.shape];
  const full = end.size * width;
  const room = form.reach * full * GROWN;
  const size = room > 0 ? full * Math.min(1, visible / room) : 0;
  if (!(size > 0)) return null;
  const onPath = (s: number): Point => {
    const wrapped = m.path.closed ? ((s % m.length) + m.length) % m.length : s;
    return pointAtLength(m, wrapped);
  };
  const tip = onPath(at);
  const back = onPath(at + inward * Math.min(form.reach * size, visible));
  let [dx, dy] = [tip.x - back.x, tip.y - back.y];
  if (Math.hypot(dx, dy) < 1e-9) {
    const t = tangentAtLength(m, at);
    [dx, dy] = [-inward * t.x, -inward * t.y];
  }
  const k = size / Math.hypot(dx, dy);
  const thin = 1 / end.size;
  return {
    outline: transformCommands(
      form.outline(thin),
      compose(translation(tip.x, tip.y), [dx * k, dy * k, -dy * k, dx * k, 0, 0]),
    ),
    stop: Math.min(form.stop(thin) * size, visible),
  };
}
