import { worldOf, type Layer, type Part, type Stroke } from '@/core/document';
import {
  applyMatrix,
  IDENTITY,
  inverse,
  isIdentity,
  transformPath,
  type Bounds,
  type Matrix,
  type Point,
} from '@/core/geometry';
import { layerBounds, variedAt } from '@/core/scene';
import { useEditor } from '../state';

/** From a layer's or group's own coordinates to the picture's at the frame shown. */
export function worldNow(part: Part): Matrix {
  const { piece, frame } = useEditor.getState();
  const placed = part.place ?? piece.groups.some((group) => group.place);
  return placed ? worldOf(piece, part, frame) : IDENTITY;
}

const stood = new WeakMap<Stroke, { key: string; stroke: Stroke }>();

/** A stroke as it stands in the picture at the frame shown; itself where it stands as it was made. */
export function standing(stroke: Stroke): Stroke {
  const m = worldNow(stroke);
  if (isIdentity(m)) return stroke;
  const key = m.join();
  let known = stood.get(stroke);
  if (known?.key !== key) {
    known = { key, stroke: { ...stroke, path: transformPath(stroke.path, m) } };
    stood.set(stroke, known);
  }
  return known.stroke;
}

/** A place in the picture in a layer's own coordinates. */
export const toOwn = (part: Part, p: Point): Point => {
  const back = inverse(worldNow(part));
  return back ? applyMatrix(back, p) : p;
};

/** A way in the picture in a layer's own coordinates. */
export function wayToOwn(part: Part, by: Point): Point {
  const back = inverse(worldNow(part));
  if (!back || isIdentity(back)) return by;
  const [a, b, c, d] = back;
  return applyMatrix([a, b, c, d, 0, 0], by);
}

/** The rectangle round a layer as it was made; of a text whose axes are keyed, as it is at the frame shown. */
export const boundsNow = (layer: Layer): Bounds | null =>
  layerBounds(layer.type === 'lettering' ? variedAt(layer, useEditor.getState().frame) : layer);
