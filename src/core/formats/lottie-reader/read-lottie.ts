import { cutName, DEFAULT_INK, type Ink } from '../../document';
import {
  compose,
  IDENTITY,
  meanScale,
  rotation,
  scaling,
  transformPath,
  translation,
  type Matrix,
  type Path,
} from '../../geometry';
import { isKeyed, keysOf, mapValues, valueAt, type Animated } from '../../timing';
import { seenBetween, type MovingStroke, type MovingWindow } from '../moving';
import { pathOfShape } from './shapes';
import { animatedBy, firstNumbers, isItem, isMoving, itemsOf, numberOf, textOf, type Item } from './values';

/** What was read of a vector animation. */
export interface ReadMotion {
  readonly width: number;
  readonly height: number;
  readonly framesPerSecond: number;
  /** How long it is, in its own frames. */
  readonly frames: number;
  readonly strokes: readonly MovingStroke[];
  /** In words, what the file holds that did not come in, each once. */
  readonly leftOut: readonly string[];
}

/** A file that is no vector animation, in words. */
export class MotionError extends Error {}

const MOST_CHARACTERS = 32_000_000;
const MOST_STROKES = 2000;
const MOST_DEPTH = 12;

const LAYERS_LEFT_OUT: Readonly<Record<number, string>> = {
  1: 'plain rectangles',
  2: 'pictures',
  5: 'text',
  6: 'sound',
  13: 'cameras',
};
const SHAPES_LEFT_OUT: Readonly<Record<string, string>> = {
  fl: 'fills',
  gf: 'fills',
  sr: 'stars',
  rp: 'repeaters',
  mm: 'merged paths',
  rd: 'rounded corners',
  pb: 'puckered paths',
  zz: 'zigzags',
  tw: 'twists',
  op: 'offset paths',
};
const CAPS = { 1: 'flat', 2: 'round', 3: 'square' } as const;
const JOINS = { 1: 'miter', 2: 'round', 3: 'bevel' } as const;

interface Reading {
  /** The frame that counts as 0 in what is read now. */
  readonly from: number;
  /** When the layers that it lies in come and go, from that frame; null where they are always there. */
  readonly seen: readonly [from: number | null, to: number | null];
  readonly leftOut: Set<string>;
  readonly strokes: MovingStroke[];
  readonly assets: ReadonlyMap<string, Item>;
}

/** Where something stands: anchor, scale, rotation and position of a transform (Lottie 1.0, Transform), as they are at first. */
function placeOf(transform: unknown, leftOut: Set<string>): Matrix {
  if (!isItem(transform)) return IDENTITY;
  const { a, p, s, r, rz } = transform;
  const apart = isItem(p) && p.s === true;
  const parts = apart ? [(p as Item).x, (p as Item).y] : [p];
  if ([a, s, r, rz, ...parts].some(isMoving)) leftOut.add('movement, turning and growing of layers');
  const [ax = 0, ay = 0] = firstNumbers(a, [0, 0]);
  const [sx = 100, sy = 100] = firstNumbers(s, [100, 100]);
  const [angle = 0] = firstNumbers(r ?? rz, [0]);
  const [px = 0, py = 0] = apart ? parts.map((one) => firstNumbers(one, [0])[0]!) : firstNumbers(p, [0, 0]);
  return [
    translation(px, py),
    rotation((angle * Math.PI) / 180),
    scaling(sx / 100, sy / 100),
    translation(-ax, -ay),
  ].reduce(compose);
}

const WHOLE: MovingWindow = { head: 1, tail: 0, slide: 0 };

/** The part of a path that a trim leaves (Lottie 1.0, Trim path). */
function windowOf(trim: Item, { from, leftOut }: Reading): MovingWindow {
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

const hexOf = (numbers: readonly number[]): string =>
  `#${[0, 1, 2]
    .map((i) =>
      Math.round(Math.min(1, Math.max(0, numbers[i] ?? 0)) * 255)
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;

/** The ink of a stroke style; gradients as their first colour. */
function inkOfStyle(style: Item, scale: number, opacity: number, { from, leftOut }: Reading): Ink {
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
    colour: isGradient ? hexOf([r, g, b]) : animatedBy(style.c, from, hexOf, '#ede6d8'),
    opacity: Math.min(1, Math.max(0, ((firstNumbers(style.o, [100])[0] ?? 100) / 100) * opacity)),
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

interface Traced {
  readonly path: Path;
  readonly matrix: Matrix;
  readonly name: string;
  trim: Item | null;
}

/** Paths of a list of shapes and of the groups in it, each with the trim that follows it. */
function tracedIn(items: readonly Item[], matrix: Matrix, name: string, reading: Reading): Traced[] {
  const traced: Traced[] = [];
  for (const item of items) {
    if (item.hd === true) continue;
    if (item.ty === 'gr') {
      const inner = itemsOf(item.it);
      const own = compose(
        matrix,
        placeOf(
          inner.find(({ ty }) => ty === 'tr'),
          reading.leftOut,
        ),
      );
      traced.push(...tracedIn(inner, own, textOf(item.nm, name), reading));
    } else if (item.ty === 'tm') {
      for (const one of traced) {
        if (one.trim) reading.leftOut.add('trims of what is trimmed');
        one.trim ??= item;
      }
    } else {
      const left = SHAPES_LEFT_OUT[String(item.ty)];
      if (left) reading.leftOut.add(left);
      const path = pathOfShape(item, reading.leftOut);
      if (path) traced.push({ path, matrix, name: textOf(item.nm, name), trim: null });
    }
  }
  return traced;
}

/**
 * Strokes of a list of shapes: each style draws the paths before it (Lottie 1.0, Shapes).
 * @param trims those that follow, in the lists it lies in, the nearest first.
 */
function strokesIn(
  items: readonly Item[],
  matrix: Matrix,
  name: string,
  opacity: number,
  trims: readonly Item[],
  reading: Reading,
): void {
  // What stands first lies on top: it is drawn last.
  for (const [at, item] of [...items.entries()].reverse()) {
    if (item.hd === true) continue;
    if (item.ty === 'gr') {
      const inner = itemsOf(item.it);
      const place = inner.find(({ ty }) => ty === 'tr');
      const own = compose(matrix, placeOf(place, reading.leftOut));
      const share = ((firstNumbers(place?.o, [100])[0] ?? 100) / 100) * opacity;
      const after = [...items.slice(at + 1).filter(({ ty, hd }) => ty === 'tm' && hd !== true), ...trims];
      strokesIn(inner, own, textOf(item.nm, name), share, after, reading);
    }
    if (item.ty !== 'st' && item.ty !== 'gs') continue;
    const ends = items.slice(at + 1).filter(({ ty, hd }) => ty === 'tm' && hd !== true);
    const [later] = [...ends, ...trims];
    for (const { path, matrix: own, name: called, trim } of tracedIn(
      items.slice(0, at),
      matrix,
      name,
      reading,
    )) {
      if (reading.strokes.length >= MOST_STROKES)
        throw new MotionError(`It holds more than ${MOST_STROKES} strokes.`);
      const cut = trim ?? later;
      reading.strokes.push({
        name: cutName(called, undefined, 'Stroke'),
        path: transformPath(path, own),
        ink: inkOfStyle(item, meanScale(own), opacity, reading),
        window: seenBetween(cut ? windowOf(cut, reading) : WHOLE, ...reading.seen),
      });
    }
  }
}

/** Draws layers of a composition, those at the bottom first. */
function readLayers(
  layers: readonly Item[],
  outer: Matrix,
  end: number,
  depth: number,
  reading: Reading,
): void {
  if (depth > MOST_DEPTH) throw new MotionError(`Its compositions lie more than ${MOST_DEPTH} deep.`);
  const byIndex = new Map(layers.map((layer) => [layer.ind, layer]));
  const placed = (layer: Item, steps = 0): Matrix => {
    const parent = steps < 100 ? byIndex.get(layer.parent) : undefined;
    const own = placeOf(layer.ks, reading.leftOut);
    return parent && layer.parent !== undefined ? compose(placed(parent, steps + 1), own) : own;
  };
  for (const layer of layers.toReversed()) {
    if (layer.hd === true || layer.td === 1) {
      if (layer.td === 1) reading.leftOut.add('mattes');
      continue;
    }
    if (itemsOf(layer.masksProperties).length > 0) reading.leftOut.add('masks');
    const shapes = layer.ty === 4;
    const asset = layer.ty === 0 ? reading.assets.get(String(layer.refId)) : undefined;
    const left = LAYERS_LEFT_OUT[Number(layer.ty)];
    if (left) reading.leftOut.add(left);
    if (!shapes && !asset) continue;
    const comes = numberOf(layer.ip, reading.from) - reading.from;
    const goes = numberOf(layer.op, end);
    const seen: Reading['seen'] = [
      comes > 0.5 ? Math.max(comes, reading.seen[0] ?? 0) : reading.seen[0],
      goes < end - 0.5 ? Math.min(goes - reading.from, reading.seen[1] ?? Infinity) : reading.seen[1],
    ];
    const matrix = compose(outer, placed(layer));
    const ks = isItem(layer.ks) ? layer.ks : {};
    if (isMoving(ks.o)) reading.leftOut.add('opacity that changes');
    const opacity = (firstNumbers(ks.o, [100])[0] ?? 100) / 100;
    const own = { ...reading, seen };
    if (shapes) strokesIn(itemsOf(layer.shapes), matrix, textOf(layer.nm, 'Stroke'), opacity, [], own);
    else if (asset) {
      // What lies within begins when its layer says so.
      const start = numberOf(layer.st, 0);
      const within = { ...own, from: reading.from - start };
      readLayers(itemsOf(asset.layers), matrix, end - start, depth + 1, within);
    }
  }
}

/**
 * Reads the strokes of a vector animation (Lottie 1.0) with their trims as heads and tails.
 * @throws MotionError in words where it is none, or holds too much.
 */
export function readLottie(source: string): ReadMotion {
  if (source.length > MOST_CHARACTERS)
    throw new MotionError(`The file holds more than ${MOST_CHARACTERS / 1e6} million characters.`);
  let file: unknown;
  try {
    file = JSON.parse(source);
  } catch {
    throw new MotionError('It is not readable JSON, or only a part of it.');
  }
  if (!isItem(file) || !Array.isArray(file.layers)) throw new MotionError('It is no vector animation.');
  const [width, height] = [numberOf(file.w, 0), numberOf(file.h, 0)];
  const framesPerSecond = numberOf(file.fr, 0);
  if (!(width > 0 && height > 0 && framesPerSecond > 0))
    throw new MotionError('It does not say its size and rate.');
  const [from, end] = [numberOf(file.ip, 0), numberOf(file.op, 0)];
  const leftOut = new Set<string>();
  const strokes: MovingStroke[] = [];
  const assets = new Map(itemsOf(file.assets).map((asset) => [String(asset.id), asset]));
  readLayers(itemsOf(file.layers), IDENTITY, end, 0, { from, seen: [null, null], leftOut, strokes, assets });
  return {
    ...{ width, height, framesPerSecond, frames: Math.max(1, Math.round(end - from)) },
    strokes,
    leftOut: [...leftOut],
  };
}

/** Whether any part of a stroke's window follows keys. */
export const isTimed = ({ window }: MovingStroke): boolean =>
  [window.head, window.tail, window.slide].some((part: Animated) => isKeyed(part));
