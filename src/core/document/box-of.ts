import {
  commandsBounds,
  commandsOf,
  compose,
  pathBounds,
  transformCommands,
  unite,
  type Bounds,
} from '../geometry';
import { membersOf } from './grouped';
import { letterOutlines } from './letter-outlines';
import { contentOf, type Layer, type Lettering, type Piece } from './schema';

const boxes = new WeakMap<Layer, Bounds | null>();

/**
 * The box that lines and boxes round a text keep to: as wide as its ink; from the height of capitals over the first baseline
 * to the last baseline, so that it does not jump with every g and f. Where the capitals are not known, its ink.
 */
function textBox(lettering: Lettering): Bounds | null {
  const ink = commandsBounds(letterOutlines(lettering).flat());
  const { capitals, glyphs } = lettering.set;
  if (!ink || capitals === undefined) return ink;
  const baselines = glyphs.map((glyph) => lettering.y + glyph.y);
  return { ...ink, top: Math.min(...baselines) - capitals, bottom: Math.max(...baselines) };
}

function layerBox(layer: Layer): Bounds | null {
  if (layer.type === 'lettering') return textBox(layer);
  if (layer.type === 'stroke') return pathBounds(layer.path);
  if (layer.type === 'piece') {
    const { width, height } = contentOf(layer).size;
    return { left: 0, top: 0, right: width, bottom: height };
  }
  return unite(
    layer.shapes.flatMap((shape) => {
      const m = compose(layer.transform, shape.transform);
      return commandsBounds(transformCommands(commandsOf(shape.data), m)) ?? [];
    }),
  );
}

/** The box of a layer, or of all of a group, as it was made; null where there is nothing to be seen of it. */
export function boxOf(piece: Pick<Piece, 'layers' | 'groups'>, id: string): Bounds | null {
  const layer = piece.layers.find((one) => one.id === id);
  if (!layer) return unite(membersOf(piece, id).flatMap((member) => boxOf(piece, member.id) ?? []));
  let box = boxes.get(layer);
  if (box === undefined) boxes.set(layer, (box = layerBox(layer)));
  return box;
}
