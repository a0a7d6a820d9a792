import { cutName } from '../../document';
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
import { isKeyed, type Animated } from '../../timing';
import { seenBetween, type MovingStroke, type MovingWindow } from '../moving';
import type { Reading } from './reading';
import { pathOfShape } from './shapes';
import { inkOfStyle, windowOf } from './styles';
import { firstNumbers, isItem, isMoving, itemsOf, numberOf, textOf, type Item } from './values';

/** What was read of a vector animation. */
interface ReadMotion extends MotionHead {
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
  rp: 'shapes that are repeated',
  mm: 'combined paths',
  rd: 'rounded corners',
  pb: 'paths that are bent',
  zz: 'paths that are bent',
  tw: 'paths that are bent',
  op: 'offset paths',
};
/** Where something stands: anchor, scale, rotation and position of a transform (Lottie 1.0, Transform), as they are at first. */
function placeOf(transform: unknown, leftOut: Set<string>): Matrix {
  if (!isItem(transform)) return IDENTITY;
  const { a, p, s, r, rz } = transform;
  const apart = isItem(p) && p.s === true;
  const parts = apart ? [p.x, p.y] : [p];
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
function readStrokes(
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
      readStrokes(inner, own, textOf(item.nm, name), share, after, reading);
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
    if (shapes) readStrokes(itemsOf(layer.shapes), matrix, textOf(layer.nm, 'Stroke'), opacity, [], own);
    else if (asset) {
      // What lies within begins when its layer says so.
      const start = numberOf(layer.st, 0);
      const within = { ...own, from: reading.from - start };
      readLayers(itemsOf(asset.layers), matrix, end - start, depth + 1, within);
    }
  }
}

/** What a vector animation says of itself before anything is drawn. */
export interface MotionHead {
  readonly width: number;
  readonly height: number;
  readonly framesPerSecond: number;
  /** How long it is, in its own frames. */
  readonly frames: number;
}

/** A file as it is read, and what it says of itself. */
function opened(source: string): { readonly file: Item; readonly head: MotionHead } {
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
  const frames = Math.max(1, Math.round(numberOf(file.op, 0) - numberOf(file.ip, 0)));
  return { file, head: { width, height, framesPerSecond, frames } };
}

/** Size, rate and length of a vector animation (Lottie 1.0). @throws MotionError in words where it is none. */
export const readLottieHead = (source: string): MotionHead => opened(source).head;

/**
 * Reads the strokes of a vector animation (Lottie 1.0) with their trims as heads and tails.
 * @throws MotionError in words where it is none, or holds too much.
 */
export function readLottie(source: string): ReadMotion {
  if (source.length > MOST_CHARACTERS)
    throw new MotionError(`The file holds more than ${MOST_CHARACTERS / 1e6} million characters.`);
  const { file, head } = opened(source);
  const leftOut = new Set<string>();
  const strokes: MovingStroke[] = [];
  const assets = new Map(itemsOf(file.assets).map((asset) => [String(asset.id), asset]));
  const reading: Reading = { from: numberOf(file.ip, 0), seen: [null, null], leftOut, strokes, assets };
  readLayers(itemsOf(file.layers), IDENTITY, numberOf(file.op, 0), 0, reading);
  return { ...head, strokes, leftOut: [...leftOut] };
}

/** Whether any part of a stroke's window follows keys. */
export const isTimed = ({ window }: MovingStroke): boolean =>
  [window.head, window.tail, window.slide].some((part: Animated) => isKeyed(part));
