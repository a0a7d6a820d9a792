import { z } from 'zod';
import { mixColours } from '../colour';
import { commandsIn, kept as keptOf, transformed, type DrawItem } from '../draw';
import {
  applyMatrix,
  compose,
  inverse,
  measurePath,
  pointAtLength,
  rotation,
  scaling,
  tangentAtLength,
  translation,
  type Matrix,
  type Path,
  type Point,
} from '../geometry';
import { clamp } from '../numbers';
import { check, choice, colour, FACTS, keyedNumber, keyedOffset, number, reference } from '../properties';
import { effectKind, type Items } from './effect';
import { faded } from './laid-over';
import { seeded } from './seeded';
import { recoloured } from './recoloured';
import type { Now } from './now';

const count = (name: string, max: number, initial: number) =>
  number({ name, unit: 'number', min: 1, max, initial });
const angle = (name: string, initial = 0) =>
  keyedNumber({ name, unit: 'angle', min: -10_000, max: 10_000, initial });

const arrangementSchema = z
  .discriminatedUnion('shape', [
    z.strictObject({
      shape: z.literal('ring'),
      count: count('Count', 200, 8),
      radius: keyedOffset('Radius', { initial: 120 }),
      from: angle('First angle', -Math.PI / 2),
      /** Of the circle that is filled; all of it where it is a full turn. */
      arc: angle('Arc', Math.PI * 2),
      facing: choice('Facing', ['outwards', 'upright']),
    }),
    z.strictObject({
      shape: z.literal('row'),
      count: count('Count', 200, 5),
      x: keyedOffset('Apart across', { initial: 80 }),
      y: keyedOffset('Apart down', { initial: 0 }),
    }),
    z.strictObject({
      shape: z.literal('grid'),
      columns: count('Columns', 40, 4),
      rows: count('Rows', 40, 3),
      x: keyedOffset('Apart across', { initial: 80 }),
      y: keyedOffset('Apart down', { initial: 80 }),
    }),
    z.strictObject({
      shape: z.literal('along a stroke'),
      /** The stroke; where absent, nothing is repeated. */
      stroke: reference('Stroke', 'stroke').exactOptional(),
      count: count('Count', 200, 6),
      from: keyedNumber({ name: 'From', unit: 'share', min: 0, max: 1 }),
      to: keyedNumber({ name: 'To', unit: 'share', min: 0, max: 1, initial: 1 }),
      turned: check('Turned with the stroke', true),
    }),
    z.strictObject({
      shape: z.literal('mirrored'),
      /** Of the line in which it is mirrored. */
      angle: angle('Angle of the axis', Math.PI / 2),
      distance: keyedOffset('Away from the axis', { initial: 0 }),
    }),
  ])
  .register(FACTS, { kind: 'parts', name: 'Arrangement' });
type Arrangement = Now<z.infer<typeof arrangementSchema>>;

const schema = z.strictObject({
  kind: z.literal('copies'),
  arrangement: arrangementSchema,
  /** Frames by which each copy is later than the one before it. */
  delay: keyedNumber({ name: 'Delay', unit: 'frames', min: -100, max: 100 }),
  rotation: angle('Rotation each'),
  scale: keyedNumber({ name: 'Scale each', unit: 'share', min: 0, max: 4, initial: 1 }),
  opacity: keyedNumber({ name: 'Opacity each', unit: 'share', min: 0, max: 1, initial: 1 }),
  recoloured: check('Colours run to another'),
  colour: colour('Last colour', '#43b3a0'),
  disorder: keyedNumber({ name: 'Disorder', unit: 'share', min: 0, max: 1 }),
  seed: number({ name: 'Seed', unit: 'number', min: 0, max: 9999, initial: 1 }),
});
export type Copies = z.infer<typeof schema>;

/** Copies beyond so many items or commands of paths in all are left out: no picture shows them, and painting would never end. */
const MOST_ITEMS = 20_000;
const MOST_COMMANDS = 1_000_000;

/** How many copies of some items are shown at the most. */
const mostCopies = (items: Items): number =>
  Math.floor(
    Math.min(MOST_ITEMS / Math.max(1, items.length), MOST_COMMANDS / Math.max(1, commandsIn(items))),
  );

/** Where a place `at` (0..1) along a path puts something that stood upright at its origin. */
function along(path: Path, at: number, turned: boolean): Matrix {
  const m = measurePath(path);
  const { x, y } = pointAtLength(m, m.length * at);
  const way = tangentAtLength(m, m.length * at);
  return turned ? compose(translation(x, y), rotation(Math.atan2(way.y, way.x))) : translation(x, y);
}

/**
 * Where an arrangement puts each copy, from the first on; the pivot of what is copied is taken to be the origin.
 * @param path of the stroke they stand along, in the same coordinates as the pivot.
 */
export function placesOf(arrangement: Arrangement, path: Path | null): Matrix[] {
  const times = (n: number, place: (i: number) => Matrix): Matrix[] =>
    Array.from({ length: n }, (_, i) => place(i));
  switch (arrangement.shape) {
    case 'ring': {
      const { count: n, radius, from, arc, facing } = arrangement;
      const full = Math.abs(Math.abs(arc) - Math.PI * 2) < 1e-9;
      const step = n > 1 ? arc / (full ? n : n - 1) : 0;
      return times(n, (i) => {
        const a = from + step * i;
        const at = translation(radius * Math.cos(a), radius * Math.sin(a));
        return facing === 'outwards' ? compose(at, rotation(a + Math.PI / 2)) : at;
      });
    }
    case 'row':
      return times(arrangement.count, (i) => translation(arrangement.x * i, arrangement.y * i));
    case 'grid': {
      const { columns, rows, x, y } = arrangement;
      return times(columns * rows, (i) => translation(x * (i % columns), y * Math.floor(i / columns)));
    }
    case 'along a stroke': {
      const { count: n, from, to, turned } = arrangement;
      if (!path) return [translation(0, 0)];
      // On a closed path the last would stand on the first.
      const steps = path.closed && Math.abs(to - from) > 1 - 1e-9 ? n : n - 1;
      return times(n, (i) => along(path, from + ((to - from) * i) / Math.max(1, steps), turned));
    }
    case 'mirrored': {
      const { angle: axis, distance } = arrangement;
      const [nx, ny] = [-Math.sin(axis), Math.cos(axis)];
      const over = compose(compose(rotation(axis), scaling(1, -1)), rotation(-axis));
      return [translation(0, 0), compose(translation(2 * distance * nx, 2 * distance * ny), over)];
    }
  }
}

/** What is done to the copy at a place in the order, besides where it stands. */
function ownTurn({ rotation: turn, scale, disorder, seed }: Now<Copies>, i: number): Matrix {
  const random = seeded(seed + i * 7919);
  const off = (most: number): number => (random() * 2 - 1) * most * disorder;
  const [x, y, angle, size] = [off(40), off(40), off(Math.PI / 4), off(0.4)];
  const k = scale ** i * (1 + size);
  return compose(compose(translation(x, y), rotation(turn * i + angle)), scaling(k, k));
}

/** Where copies stand: what is copied, in the coordinates of its items. */
interface Stand {
  /** From the coordinates in which it was made. */
  readonly matrix: Matrix;
  readonly back: Matrix;
  /** What it turns about, as it was made. */
  readonly pivot: Point;
  /** Along a stroke they stand where it does; else about where the first one does. */
  readonly onStroke: boolean;
}

/** Where the copy at a place in the order comes to stand, from where the first one does. */
export function copyMatrix(
  copies: Now<Copies>,
  place: Matrix,
  i: number,
  { matrix, back, pivot, onStroke }: Stand,
): Matrix {
  const turn = compose(place, ownTurn(copies, i));
  const from = applyMatrix(matrix, pivot);
  if (onStroke) return compose(turn, translation(-from.x, -from.y));
  const about = compose(compose(translation(pivot.x, pivot.y), turn), translation(-pivot.x, -pivot.y));
  return compose(compose(matrix, about), back);
}

/** Repeats beside one another. */
export const COPIES = effectKind({
  name: 'Copies',
  about: 'A ring, a row, a grid of it, along a stroke, or mirrored.',
  touches: 'shape',
  isSoft: false,
  redraws: true,
  schema,
  presets: [
    {
      name: 'Burst',
      values: ({ size }) => ({
        arrangement: {
          shape: 'ring' as const,
          count: 12,
          radius: Math.round(90 * size),
          from: -Math.PI / 2,
          arc: Math.PI * 2,
          facing: 'outwards' as const,
        },
        delay: 0,
      }),
    },
  ],
  repeats: ({ arrangement: a }) =>
    a.shape === 'grid' ? a.columns * a.rows : a.shape === 'mirrored' ? 2 : a.count,
  apply(effect, { frame, items, matrix, pivot: pivotNow, stroke, kept }) {
    const { arrangement } = effect;
    const on =
      arrangement.shape === 'along a stroke' && arrangement.stroke !== undefined
        ? stroke(frame, arrangement.stroke)
        : null;
    const m = matrix(frame);
    const pivot = pivotNow();
    const back = inverse(m);
    const places = placesOf(arrangement, null).length;
    const first = items(frame);
    const many = clamp(mostCopies(first), 1, places);
    const shown = Array.from({ length: many }, (_, i) =>
      effect.delay === 0 ? first : items(frame - effect.delay * i),
    );
    if (!back) return first;
    return kept([effect, on?.path, ...m, pivot.x, pivot.y, ...shown], () => {
      const stand = { matrix: m, back, pivot, onStroke: on !== null };
      return placesOf(arrangement, on?.path ?? null)
        .slice(0, many)
        .flatMap((place, i): Items => {
          const full = copyMatrix(effect, place, i, stand);
          const moved = shown[i]!.map((item) =>
            keptOf(item, `copy ${i}`, full, () => transformed(item, full)),
          );
          const t = many > 1 ? i / (many - 1) : 0;
          const inColour = effect.recoloured && i > 0 ? stepped(moved, effect.colour, t) : moved;
          return faded(inColour, effect.opacity ** i);
        });
    });
  },
});

/** Items whose colours have gone a share of the way to another. */
function stepped(items: Items, to: string, t: number): Items {
  return items.map((item): DrawItem => {
    if (item.operator === 'keep' || item.operator === 'erase') return item;
    return keptOf(item, 'stepped', [to, t], (): DrawItem => {
      if (item.kind === 'group') return { ...item, items: stepped(item.items, to, t) };
      return typeof item.colour === 'string'
        ? { ...item, colour: mixColours(item.colour, to, t) }
        : recoloured([item], to)[0]!;
    });
  });
}
