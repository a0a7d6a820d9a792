import { relit } from '../../colour';
import {
  compose,
  parallelPath,
  pathBounds,
  scaling,
  transformPath,
  translation,
  type Path,
} from '../../geometry';
import { rememberedOf } from '../../keep';
import { clamp } from '../../numbers';
import { MOST_LENGTH } from '../../properties';
import { mapValues } from '../../timing';
import { changed, sameValue } from '../parts';
import {
  strokeById,
  strokesOf,
  TIED_PROPERTIES,
  type Ink,
  type Piece,
  type Stroke,
  type Tie,
  type TiedProperty,
} from '../schema';
import { settled } from './settled';

/** Sizes of one path that are kept: a factor that is dragged makes one after another. */
const MOST_OF_ONE = 24;

/** A path scaled about its middle, the same object each time. */
const scaledPath = rememberedOf(MOST_OF_ONE, (path: Path, factor: number): Path => {
  const box = pathBounds(path);
  if (factor === 1 || !box) return path;
  const [x, y] = [(box.left + box.right) / 2, (box.top + box.bottom) / 2];
  return transformPath(path, compose(translation(x, y), compose(scaling(factor), translation(-x, -y))));
});

const tiedPath = (path: Path, { factor, offset }: Tie): Path =>
  parallelPath(scaledPath(path, factor), offset);

function tiedInk(ink: Ink, source: Ink, tie: Tie): Ink {
  const { factor, offset } = tie;
  if (tie.property === 'width') {
    return { ...ink, width: mapValues(source.width, (w) => clamp(w * factor + offset, 0, MOST_LENGTH)) };
  }
  if (tie.property === 'colour') {
    const colour = mapValues<string>(source.colour, (c) => relit(c, factor, offset));
    const rest = changed(ink, { gradient: undefined });
    if (!source.gradient) return { ...rest, colour };
    const stops = source.gradient.stops.map((stop) => ({
      ...stop,
      colour: mapValues<string>(stop.colour, (c) => relit(c, factor, offset)),
    }));
    return { ...rest, colour, gradient: { ...source.gradient, stops } };
  }
  const rest = changed(ink, { dashes: undefined });
  if (!source.dashes) return rest;
  const { dashes } = source;
  return {
    ...rest,
    dashes: {
      ...dashes,
      pattern: dashes.pattern.map((length) => clamp(length * factor, 0, MOST_LENGTH)),
      phase: mapValues(dashes.phase, (phase) => phase * factor + offset),
    },
  };
}

/** The tie by which a property of a stroke follows another that is there. */
export const tieThatHolds = (piece: Piece, stroke: Stroke, property: TiedProperty): Tie | undefined =>
  stroke.ties?.find((tie) => tie.property === property && strokeById(piece, tie.to));

/** The stroke as its ties make it, given the strokes it follows; itself where they change nothing. */
function followed(stroke: Stroke, sourceOf: (id: string) => Stroke | undefined): Stroke {
  return (stroke.ties ?? []).reduce<Stroke>((made, tie) => {
    const source = sourceOf(tie.to);
    if (!source) return made;
    if (tie.property === 'path') {
      const path = tiedPath(source.path, tie);
      return sameValue(path, made.path) ? made : { ...made, path };
    }
    const ink = tiedInk(made.ink, source.ink, tie);
    return sameValue(ink, made.ink) ? made : { ...made, ink };
  }, stroke);
}

/** Passes after which ties that cross from property to property have all been followed. */
const PASSES = TIED_PROPERTIES.length;

/**
 * The piece with every tied property as the followed stroke has it now; the same object where nothing changes. A tie to
 * a stroke that is gone leaves the property as it was. Chains are followed to their end; the schema keeps out circles.
 */
export function settleTies(piece: Piece): Piece {
  if (!strokesOf(piece).some((stroke) => stroke.ties)) return piece;
  let result = piece;
  for (let pass = 0; pass < PASSES; pass++) {
    const next = settled(result, followed);
    if (next === result) break;
    result = next;
  }
  return result;
}
