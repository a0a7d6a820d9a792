import {
  compose,
  IDENTITY,
  inverse,
  meanScale,
  transformPath,
  unite,
  widened,
  type Bounds,
  type Matrix,
  type Path,
} from '../../geometry';
import { mapValues } from '../../timing';
import { boxOf, mappedBox, worldOf } from '../at';
import { changed, membersOf, updateParts } from '../parts';
import {
  cutName,
  newMask,
  partWithId,
  widestOf,
  type Layer,
  type Mask,
  type MaskKind,
  type MaskShape,
  type Part,
  type Piece,
  type Stroke,
} from '../schema';

/** Changes the masks of a layer or group. */
export const changeMasks = (
  piece: Piece,
  id: string,
  change: (masks: readonly Mask[]) => readonly Mask[],
): Piece =>
  updateParts(piece, [id], <P extends Part>(part: P) => {
    const masks = change(part.masks ?? []);
    return changed<P>(part, { masks: masks.length > 0 ? masks : undefined } as Partial<P>);
  });

/** Gives a layer or group other masks. */
export const setMasks = (piece: Piece, id: string, masks: readonly Mask[]): Piece =>
  changeMasks(piece, id, () => masks);

/** Changes one mask of a layer or group. */
export const changeMask = (
  piece: Piece,
  id: string,
  index: number,
  change: Partial<Mask> | ((mask: Mask) => Mask),
): Piece =>
  changeMasks(piece, id, (masks) =>
    masks.map((mask, i) =>
      i !== index ? mask : typeof change === 'function' ? change(mask) : { ...mask, ...change },
    ),
  );

/** Lets two masks of a layer or group change places. */
export const swapMasks = (piece: Piece, id: string, a: number, b: number): Piece =>
  changeMasks(piece, id, (masks) =>
    masks.map((mask, i) => (i === a ? masks[b]! : i === b ? masks[a]! : mask)),
  );

/** The box round a layer and its ink, in its own coordinates: strokes are seen as wide as they ever are. */
function inkBox(piece: Piece, layer: Layer): Bounds | null {
  const box = boxOf(piece, layer.id);
  return box && layer.type === 'stroke' ? widened(box, widestOf(layer.ink) / 2) : box;
}

/** The box round all ink of a layer or group in its own coordinates, at a frame where members are placed; null for nothing. */
function inkBoxOf(piece: Piece, part: Part, frame: number): Bounds | null {
  if ('type' in part) return inkBox(piece, part);
  const back = inverse(worldOf(piece, part, frame));
  if (!back) return null;
  return unite(
    membersOf(piece, part.id).flatMap((layer) => {
      const box = inkBox(piece, layer);
      return (box && mappedBox(box, compose(back, worldOf(piece, layer, frame)))) ?? [];
    }),
  );
}

/** The shape of a mask that covers all that a layer or group shows at a frame; null where it shows nothing. */
export function maskShapeAround(
  piece: Piece,
  id: string,
  frame: number,
  kind: Exclude<MaskKind, 'path'>,
): MaskShape | null {
  const part = partWithId(piece, id);
  const box = part && inkBoxOf(piece, part, frame);
  if (!box) return null;
  const [width, height] = [box.right - box.left, box.bottom - box.top];
  const centre = { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 };
  const reach = Math.hypot(width, height) / 2;
  switch (kind) {
    case 'rectangle':
      return { kind, x: box.left, y: box.top, width, height, radius: 0 };
    case 'ellipse':
      return { kind, ...centre, radiusX: width / 2, radiusY: height / 2 };
    case 'linear wipe':
      return {
        kind,
        from: { x: box.left, y: centre.y },
        to: { x: box.right, y: centre.y },
        share: 0.5,
      };
    case 'radial wipe':
      return { kind, centre, reach, share: 0.5 };
    case 'clock wipe':
      return { kind, centre, reach, angle: -Math.PI / 2, share: 0.5, anticlockwise: false };
  }
}

/**
 * A mask of the shape of a closed stroke, where it is seen at a frame: one that moves along with what it masks, or a hold-out that
 * stands in the picture. Null where what is to be masked is flat then, so that nothing can be said to lie in it.
 */
export function maskFromStroke(
  piece: Piece,
  part: Part,
  stroke: Stroke,
  frame: number,
  isHoldOut: boolean,
): Mask | null {
  const back = isHoldOut ? IDENTITY : inverse(worldOf(piece, part, frame));
  if (!back) return null;
  const seen = transformPath(stroke.path, worldOf(piece, stroke, frame));
  const shape: MaskShape = { kind: 'path', path: transformPath(seen, back) };
  const name = cutName(`${isHoldOut ? 'hold-out' : 'shape'}: ${stroke.name}`);
  const mask = newMask(name, shape, isHoldOut ? 'subtract' : 'add');
  return isHoldOut ? { ...mask, stands: 'picture' } : mask;
}

/**
 * A mask of a drawn shape that stands in the picture from now on, or moves along with what it masks again; masks of other
 * shapes keep to what they mask.
 * @param way from where it stood to where it stands, so that it is seen where it was.
 */
function standingMask(mask: Mask, inPicture: boolean, way: Matrix): Mask {
  const { shape } = mask;
  if (shape.kind !== 'path') return mask;
  const k = meanScale(way);
  const path = mapValues<Path>(shape.path, (value) => transformPath(value, way));
  return changed<Mask>(
    {
      ...mask,
      shape: { ...shape, path },
      feather: mapValues(mask.feather, (v) => v * k),
      expansion: mapValues(mask.expansion, (v) => v * k),
      // A way it was moved by is turned and scaled like any way; keyed, each part by itself as far as that goes.
      x: mapValues(mask.x, (v) => v * k),
      y: mapValues(mask.y, (v) => v * k),
    },
    { stands: inPicture ? 'picture' : undefined },
  );
}

/** Lets a mask of a drawn shape stand in the picture, or move along with what it masks, where it is seen at a frame. */
export function standMask(piece: Piece, id: string, index: number, inPicture: boolean, frame: number): Piece {
  const part = partWithId(piece, id);
  const world = part ? worldOf(piece, part, frame) : IDENTITY;
  const way = inPicture ? world : inverse(world);
  return way ? changeMask(piece, id, index, (mask) => standingMask(mask, inPicture, way)) : piece;
}
