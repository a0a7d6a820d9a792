import {
  compose,
  IDENTITY,
  inverse,
  meanScale,
  translation,
  applyMatrix,
  unite,
  type Bounds,
  type Matrix,
} from '../../geometry';
import { drawWithin, inheritedAt, withTemplates, type Place, type Reading } from './reading';
import { lengthOf, viewBoxOf, transformOf, viewBoxMatrix } from './values';
import type { Element } from './xml';

/** Tiles of one pattern at the most. */
const MOST_TILES = 4000;

/**
 * Lays a pattern under a shape, tile by tile (SVG 2, 14.3). Answers whether it could.
 * @param box of the shape, in the units of `place.matrix`.
 * @param reach of its ink, which the tiles cover.
 */
export function drawPattern(
  reading: Reading,
  element: Element,
  place: Place,
  box: Bounds,
  reach: Bounds,
): boolean {
  if (place.using.has(element)) return false;
  const { attributes: a, holder } = withTemplates(reading, element);
  const ofBox = a.patternUnits !== 'userSpaceOnUse';
  const [boxWidth, boxHeight] = [box.right - box.left, box.bottom - box.top];
  const whole = ofBox ? { width: 1, height: 1 } : place.view;
  const number = (name: string, of: number): number => lengthOf(a[name], of) ?? 0;
  let [x, y] = [number('x', whole.width), number('y', whole.height)];
  let [width, height] = [number('width', whole.width), number('height', whole.height)];
  if (ofBox) {
    [x, y] = [box.left + x * boxWidth, box.top + y * boxHeight];
    [width, height] = [width * boxWidth, height * boxHeight];
  }
  if (!(width > 0 && height > 0)) return false;
  const own = transformOf(a.patternTransform, place.view) ?? IDENTITY;
  const back = inverse(own);
  if (!back) return false;
  const viewBox = viewBoxOf(a.viewBox);
  let content: Matrix = IDENTITY;
  let view = place.view;
  if (viewBox) {
    content = viewBoxMatrix(viewBox, width, height, a.preserveAspectRatio);
    view = { width: viewBox[2], height: viewBox[3] };
  } else if (a.patternContentUnits === 'objectBoundingBox') content = [boxWidth, 0, 0, boxHeight, 0, 0];
  // Where the shape lies among the tiles.
  const { left, top, right, bottom } = reach;
  const seen = unite(
    [
      [left, top],
      [right, top],
      [left, bottom],
      [right, bottom],
    ].map(([px, py]) => {
      const p = applyMatrix(back, { x: px!, y: py! });
      return { left: p.x, right: p.x, top: p.y, bottom: p.y };
    }),
  )!;
  const [firstX, lastX] = [Math.floor((seen.left - x) / width), Math.ceil((seen.right - x) / width)];
  const [firstY, lastY] = [Math.floor((seen.top - y) / height), Math.ceil((seen.bottom - y) / height)];
  if ((lastX - firstX) * (lastY - firstY) > MOST_TILES || meanScale(own) === 0) {
    reading.leftOut.add(`patterns of more than ${MOST_TILES} tiles`);
    return false;
  }
  const inherited = inheritedAt(reading, holder);
  const using = new Set([...place.using, element]);
  for (let j = firstY; j < lastY; j++) {
    for (let i = firstX; i < lastX; i++) {
      const tile = compose(place.matrix, compose(own, translation(x + i * width, y + j * height)));
      const inner: Place = { ...place, inherited, using, view, matrix: compose(tile, content) };
      drawWithin(reading, inner, { left: 0, top: 0, right: width, bottom: height }, tile, (at) =>
        holder.children.forEach((child) => reading.draw(child, at)),
      );
    }
  }
  return true;
}
