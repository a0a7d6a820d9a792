import { contentOf, type Layer, type Piece } from '../document';
import { repeatsOfEffect } from '../effects';
import { weightOf, weightOfLayer } from './weight';

type WithEffects = Pick<Layer, 'effects'>;

/** Without what shows it more than once. */
function shownOnce<T extends WithEffects>(one: T): T {
  const effects = one.effects?.map((effect) =>
    effect.on && repeatsOfEffect(effect.is) > 1 ? { ...effect, on: false } : effect,
  );
  return effects ? { ...one, effects } : one;
}

const withLayers = (piece: Piece, change: (layer: Layer) => Layer): Piece => ({
  ...piece,
  layers: piece.layers.map(change),
});

const withoutBlur = ({ shutter: _, ...piece }: Piece): Piece => piece;

const withoutRepeats = (piece: Piece): Piece => ({
  ...withLayers(piece, shownOnce),
  groups: piece.groups.map(shownOnce),
});

/** Each stroke as one line of an even pen, in its own colour and width. */
const withPlainLines = (piece: Piece): Piece =>
  withLayers(piece, (layer) => {
    if (layer.type !== 'stroke') return layer;
    const { dashes: _, widths: __, taper: ___, gradient: ____, line: _____, ...ink } = layer.ink;
    return { ...layer, ink };
  });

/** A layer of nothing that is seen, in whose place nothing else need change. */
function emptied(layer: Layer): Layer {
  if (layer.type === 'stroke')
    return { ...layer, path: { ...layer.path, points: layer.path.points.slice(0, 2) } };
  if (layer.type === 'art')
    return { ...layer, shapes: layer.shapes.map((shape) => ({ ...shape, data: '' })) };
  if (layer.type === 'lettering') return { ...layer, set: { ...layer.set, outlines: {} } };
  return { ...layer, content: { ...contentOf(layer), layers: [], groups: [] } };
}

/** With the lightest layers, as many as go together. */
function withTheLightest(piece: Piece, most: number): Piece {
  const byWeight = piece.layers
    .map((layer) => ({ id: layer.id, weight: weightOfLayer(piece, layer) }))
    .sort((a, b) => a.weight - b.weight);
  const seen = new Set<string>();
  let sum = 0;
  for (const { id, weight } of byWeight) {
    sum += weight;
    if (sum > most) break;
    seen.add(id);
  }
  return withLayers(piece, (layer) => (seen.has(layer.id) ? layer : emptied(layer)));
}

/**
 * A piece as it can be shown within so many commands, for as long as its own picture takes to be made: without motion blur, then without
 * what effects repeat, then with even lines for dashes and pens that change, and at last without its heaviest layers; each only where what
 * was left out before it does not do. Pieces within it likewise.
 * @param most commands of paths, as `weightOf` estimates them.
 */
export function roughOf(piece: Piece, most: number): Piece {
  const ways: ((piece: Piece) => Piece)[] = [
    withoutBlur,
    withoutRepeats,
    (one) =>
      withLayers(one, (layer) =>
        layer.type === 'piece'
          ? { ...layer, content: roughOf(contentOf(layer), most / one.layers.length) }
          : layer,
      ),
    withPlainLines,
    (one) => withTheLightest(one, most),
  ];
  return ways.reduce((rough, way) => (weightOf(rough) > most ? way(rough) : rough), piece);
}
