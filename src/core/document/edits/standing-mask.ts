import { meanScale, transformPath, type Matrix, type Path } from '../../geometry';
import { mapValues } from '../../timing';
import { changed } from '../changed';
import type { Mask } from '../mask-schema';

/**
 * A mask of a drawn shape that stands in the picture from now on, or moves along with what it masks again; masks of other
 * shapes keep to what they mask.
 * @param way from where it stood to where it stands, so that it is seen where it was.
 */
export function standingMask(mask: Mask, inPicture: boolean, way: Matrix): Mask {
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
