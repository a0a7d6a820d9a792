import { z } from 'zod';
import { applyMatrix, IDENTITY, inverse, meanScale, pathsOf, measurePath, type Matrix } from '../geometry';
import { kept as keptOf, type DrawItem } from '../draw';
import { sweptOutline, MITER_LIMIT, type PenWidth } from '../ink';
import { keyedNumber, number } from '../properties';
import { effectKind, type Items, type Subject } from './effect';
import { unsteady, type Field } from './noise';
import { warped } from './warped';

const parts = (amount: number, grain: number) => ({
  /** Root mean square of how far places are moved. */
  amount: keyedNumber({ name: 'Amount', unit: 'px', min: 0, max: 1000, scales: 'size', initial: amount }),
  /** Places further apart than this move each by themselves. */
  grain: keyedNumber({ name: 'Grain', unit: 'px', min: 1, max: 4000, scales: 'size', initial: grain }),
  held: number({ name: 'Held on', unit: 'frames', min: 0.1, max: 1000, initial: 2 }),
  loop: number({ name: 'Again after', unit: 'frames', min: 0, max: 100_000 }),
  seed: number({ name: 'Seed', unit: 'number', min: 0, max: 9999, initial: 1 }),
});

interface Drawn {
  readonly amount: number;
  readonly grain: number;
  readonly held: number;
  readonly loop: number;
  readonly seed: number;
}

/** The number of the drawing that is shown at a frame; where drawings repeat, of the one that is repeated. */
function drawingAt({ held, loop }: Pick<Drawn, 'held' | 'loop'>, frame: number): number {
  const drawing = Math.floor(frame / held + 1e-9);
  const all = loop > 0 ? Math.max(1, Math.round(loop / held)) : 0;
  return all > 0 ? ((drawing % all) + all) % all : drawing;
}

/** Prime, so that drawings of neighbouring seeds are not the same ones. */
const NEXT = 7919;

/** The field of one drawing, fixed to what it moves: where that is placed, scaled and turned, the unsteadiness goes along. */
function fieldOf({ amount, grain, seed }: Drawn, drawing: number, m: Matrix): Field | null {
  const back = inverse(m);
  if (!back || amount <= 0) return null;
  const own = unsteady(amount, grain, seed * NEXT + drawing);
  const turn: Matrix = [m[0], m[1], m[2], m[3], 0, 0];
  return m === IDENTITY ? own : (p) => applyMatrix(turn, own(applyMatrix(back, p)));
}

function shaken(
  effect: Drawn,
  { frame, items, matrix, kept }: Subject,
  shape: (item: DrawItem) => DrawItem,
): Items {
  const now = items(frame);
  const drawing = drawingAt(effect, frame);
  const m = matrix(frame);
  return kept([effect, drawing, now, ...m], () => {
    const field = fieldOf(effect, drawing, m);
    if (!field) return now;
    const grain = effect.grain * meanScale(m);
    return now.map((item) =>
      keptOf(item, 'shaken', [effect, drawing, ...m], () => warped(shape(item), field, grain)),
    );
  });
}

const asItIs = (item: DrawItem): DrawItem => item;

/** Unsteadiness of the whole, drawn anew every few frames. */
export const WOBBLE = effectKind({
  name: 'Wobble',
  about: 'As if drawn by hand, anew every few frames.',
  touches: 'shape',
  isSoft: false,
  redraws: true,
  schema: z.strictObject({ kind: z.literal('wobble'), ...parts(3, 90) }),
  presets: [
    { name: 'On twos', values: () => ({ held: 2 }) },
    { name: 'On threes', values: () => ({ held: 3 }) },
  ],
  apply: (effect, subject) => shaken(effect, subject, asItIs),
});

/** An item whose pens have become outlines, so that their two edges go each its own way. */
const outlined = (item: DrawItem): DrawItem =>
  keptOf(item, 'outlined', [], () => {
    if (item.kind === 'group') return { ...item, items: item.items.map(outlined) };
    if (item.kind === 'fill' || item.dashes || item.transform) return item;
    const { width, cap, join, miterLimit = MITER_LIMIT, path, kind, ...look } = item;
    const pen: PenWidth = { at: () => width, widest: width, breaks: [] };
    const ends = cap === 'butt' ? 'flat' : cap;
    const outline = pathsOf(path).flatMap((one) =>
      sweptOutline(one, pen, 0, measurePath(one).length, {
        caps: { start: ends, end: ends },
        join,
        miterLimit,
      }),
    );
    return { kind: 'fill', ...look, path: outline };
  });

/** An edge that is rough, while what it bounds stays where it is. */
export const ROUGH_EDGE = effectKind({
  name: 'Rough edge',
  about: 'An edge as of chalk or dry ink, drawn anew every few frames.',
  touches: 'shape',
  isSoft: false,
  redraws: true,
  schema: z.strictObject({ kind: z.literal('rough edge'), ...parts(1.5, 9) }),
  apply: (effect, subject) => shaken(effect, subject, outlined),
});
