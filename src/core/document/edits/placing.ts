import {
  compose,
  meanScale,
  scaling,
  transformPath,
  translation,
  type Matrix,
  type Point,
} from '../../geometry';
import { mapValues, valueAt, type Animated } from '../../timing';
import { placementAbout } from '../placement-schema';
import {
  contentOf,
  type Layer,
  type Nested,
  type Piece,
  type SetText,
  type TextSetting,
  type Underlay,
} from '../schema';
import { scaledInk } from './ink';
import { updateLayers } from './layers';
import { withScaledParts } from './scaled-parts';
import { movePoints } from './points';

/** A layer moved by an offset in piece pixels. */
export function movedLayer(layer: Layer, by: Point): Layer {
  if (layer.type === 'stroke') return { ...layer, path: movePoints(layer.path, by) };
  if (layer.type === 'art') return { ...layer, transform: compose(translation(by.x, by.y), layer.transform) };
  if (layer.type === 'piece') {
    const place =
      layer.place ??
      placementAbout({ x: contentOf(layer).size.width / 2, y: contentOf(layer).size.height / 2 });
    return {
      ...layer,
      place: { ...place, x: mapValues(place.x, (x) => x + by.x), y: mapValues(place.y, (y) => y + by.y) },
    };
  }
  return { ...layer, x: layer.x + by.x, y: layer.y + by.y };
}

/** Moves whole layers by an offset. */
export const moveLayers = (piece: Piece, ids: readonly string[], by: Point): Piece =>
  updateLayers(piece, ids, (layer) => movedLayer(layer, by));

/** A layer scaled by a factor about a point; widths of ink and sizes of type grow along. */
export const scaledLayer = (layer: Layer, factor: number, about: Point): Layer =>
  // A nested piece is scaled by its placement itself.
  layer.type === 'piece'
    ? scaledPiece(layer, factor, about)
    : withScaledParts(scaledMade(layer, factor, about), factor, about);

function scaledMade(layer: Exclude<Layer, Nested>, factor: number, about: Point): Layer {
  const m: Matrix = compose(
    translation(about.x, about.y),
    compose(scaling(factor), translation(-about.x, -about.y)),
  );
  const at = (p: Point): Point => ({
    x: about.x + (p.x - about.x) * factor,
    y: about.y + (p.y - about.y) * factor,
  });
  if (layer.type === 'stroke') {
    return {
      ...layer,
      path: transformPath(layer.path, m),
      ink: scaledInk(layer.ink, meanScale(m)),
    };
  }
  if (layer.type === 'art') return { ...layer, transform: compose(m, layer.transform) };
  return {
    ...layer,
    ...at(layer),
    setting: scaledSetting(layer.setting, factor),
    set: scaledSet(layer.set, factor),
  };
}

const scaledSetting = (setting: TextSetting, factor: number): TextSetting => ({
  ...setting,
  size: setting.size * factor,
  ...(setting.fit && { fit: { ...setting.fit, width: setting.fit.width * factor } }),
});

function scaledSet(set: SetText, factor: number): SetText {
  const { capitals, fitted, digits } = set;
  return {
    ...set,
    scale: set.scale * factor,
    glyphs: set.glyphs.map((g) => ({ ...g, x: g.x * factor, y: g.y * factor })),
    ...(capitals !== undefined && { capitals: capitals * factor }),
    ...(fitted && { fitted: { ...fitted, size: fitted.size * factor } }),
    ...(digits && {
      digits: {
        ...digits,
        x: digits.x * factor,
        y: digits.y * factor,
        width: digits.width * factor,
        advances: Object.fromEntries(
          Object.entries(digits.advances).map(([sign, advance]) => [sign, advance * factor]),
        ),
      },
    }),
  };
}

/** A nested piece scaled by its placement, which keeps its pivot where it was made. */
function scaledPiece(layer: Nested, factor: number, about: Point): Nested {
  const { width, height } = contentOf(layer).size;
  const place = layer.place ?? placementAbout({ x: width / 2, y: height / 2 });
  const times = (value: Animated): Animated => mapValues(value, (v) => v * factor);
  const shifted = (value: Animated, pivot: Animated, to: number): Animated =>
    mapValues(value, (v) => to + (v + valueAt(pivot, 0) - to) * factor - valueAt(pivot, 0));
  return {
    ...layer,
    place: {
      ...place,
      scaleX: times(place.scaleX),
      scaleY: times(place.scaleY),
      x: shifted(place.x, place.pivotX, about.x),
      y: shifted(place.y, place.pivotY, about.y),
    },
  };
}

export const scaleLayers = (piece: Piece, ids: readonly string[], factor: number, about: Point): Piece =>
  updateLayers(piece, ids, (layer) => scaledLayer(layer, factor, about));

export const addUnderlay = (piece: Piece, underlay: Underlay): Piece => ({
  ...piece,
  underlays: [...piece.underlays, underlay],
});

export function updateUnderlay(piece: Piece, id: string, change: Partial<Underlay>): Piece {
  return {
    ...piece,
    underlays: piece.underlays.map((underlay) =>
      underlay.id === id ? { ...underlay, ...change } : underlay,
    ),
  };
}

export const removeUnderlay = (piece: Piece, id: string): Piece => ({
  ...piece,
  underlays: piece.underlays.filter((underlay) => underlay.id !== id),
});

/** Where a picture lies that fills as much of the piece as it can without being cut. */
export function fittedUnderlay(
  size: Piece['size'],
  picture: { width: number; height: number },
): Pick<Underlay, 'x' | 'y' | 'scale'> {
  const scale = Math.min(size.width / picture.width, size.height / picture.height);
  return {
    scale,
    x: (size.width - picture.width * scale) / 2,
    y: (size.height - picture.height * scale) / 2,
  };
}
