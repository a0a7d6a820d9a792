import { relit } from '../colour';
import {
  compose,
  parallelPath,
  pathBounds,
  scaling,
  transformPath,
  translation,
  type Path,
} from '../geometry';
import { isKeyed, type Animated } from '../timing';
import type { Ink } from './ink-schema';
import { strokesOf, type Piece, type Stroke } from './schema';
import type { Tie } from './ties-schema';

/** Every value of something keyed, or the one that stays, changed alike. */
export function mapValues<V extends number | string>(
  animated: Animated<V>,
  change: (value: V) => V,
): Animated<V> {
  return isKeyed(animated)
    ? { keys: animated.keys.map((key) => ({ ...key, value: change(key.value) })) }
    : change(animated);
}

/** An ink without one of the parts that it may lack. */
export function without(ink: Ink, part: keyof Ink): Ink {
  const rest: Record<string, unknown> = { ...ink };
  delete rest[part];
  return rest as Ink;
}

const held = (value: number, most: number): number => Math.min(most, Math.max(0, value));

const paths = new WeakMap<Path, Map<number, Path>>();

/** A path scaled about its middle, the same object each time. */
function scaledPath(path: Path, factor: number): Path {
  const box = pathBounds(path);
  if (factor === 1 || !box) return path;
  const of = paths.get(path) ?? new Map<number, Path>();
  paths.set(path, of);
  let scaled = of.get(factor);
  if (!scaled) {
    const [x, y] = [(box.left + box.right) / 2, (box.top + box.bottom) / 2];
    scaled = transformPath(path, compose(translation(x, y), compose(scaling(factor), translation(-x, -y))));
    of.set(factor, scaled);
  }
  return scaled;
}

const tiedPath = (path: Path, { factor, offset }: Tie): Path =>
  parallelPath(scaledPath(path, factor), offset);

function tiedInk(ink: Ink, source: Ink, tie: Tie): Ink {
  const { factor, offset } = tie;
  if (tie.property === 'width') {
    return { ...ink, width: mapValues(source.width, (w) => held(w * factor + offset, 4000)) };
  }
  if (tie.property === 'colour') {
    const colour = mapValues<string>(source.colour, (c) => relit(c, factor, offset));
    const rest = without(ink, 'gradient');
    if (!source.gradient) return { ...rest, colour };
    const stops = source.gradient.stops.map((stop) => ({
      ...stop,
      colour: mapValues<string>(stop.colour, (c) => relit(c, factor, offset)),
    }));
    return { ...rest, colour, gradient: { ...source.gradient, stops } };
  }
  const rest = without(ink, 'dashes');
  if (!source.dashes) return rest;
  const { dashes } = source;
  return {
    ...rest,
    dashes: {
      ...dashes,
      pattern: dashes.pattern.map((length) => held(length * factor, 4000)),
      phase: mapValues(dashes.phase, (phase) => phase * factor + offset),
    },
  };
}

/** The stroke as its ties make it, given the strokes it follows; itself where they change nothing. */
function followed(stroke: Stroke, sourceOf: (id: string) => Stroke | undefined): Stroke {
  return (stroke.ties ?? []).reduce<Stroke>((made, tie) => {
    const source = sourceOf(tie.to);
    if (!source) return made;
    if (tie.property === 'path') {
      const path = tiedPath(source.path, tie);
      return path === made.path ? made : { ...made, path };
    }
    const ink = tiedInk(made.ink, source.ink, tie);
    return JSON.stringify(ink) === JSON.stringify(made.ink) ? made : { ...made, ink };
  }, stroke);
}

/**
 * The piece with every tied property as the followed stroke has it now; the same object where nothing changes. A tie to
 * a stroke that is gone leaves the property as it was. Chains are followed to their end; the schema keeps out circles.
 */
export function settleTies(piece: Piece): Piece {
  const strokes = new Map(strokesOf(piece).map((stroke) => [stroke.id, stroke]));
  if (![...strokes.values()].some((stroke) => stroke.ties)) return piece;
  const settled = new Map<string, Stroke>();
  const settle = (id: string): Stroke | undefined => {
    const stroke = strokes.get(id);
    if (!stroke || settled.has(id)) return settled.get(id);
    // Until it is settled a stroke stands for itself: a circle of different properties ends there.
    settled.set(id, stroke);
    const result = followed(stroke, settle);
    settled.set(id, result);
    return result;
  };
  let changed = false;
  const layers = piece.layers.map((layer) => {
    const now = layer.type === 'stroke' ? settle(layer.id)! : layer;
    if (now !== layer) changed = true;
    return now;
  });
  return changed ? { ...piece, layers } : piece;
}
