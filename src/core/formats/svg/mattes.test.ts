import { commandsBounds, readPathData, transformCommands } from '../../geometry';
import { readSvg } from '.';

/** Where the region of the mask of a rectangle from 10 to 80 lies, px. */
function regionOf(attributes: string) {
  const { groups } = readSvg(
    `<svg xmlns="http://www.w3.org/2000/svg" width="96" height="96"><mask id="g" ${attributes}><rect width="96" height="96" fill="#fff"/></mask><rect x="10" y="10" width="70" height="70" fill="#c30" mask="url(#g)"/></svg>`,
  );
  const [shape] = groups.flatMap(({ matte }) => (matte?.by === 'shape' ? matte.shapes : []));
  return commandsBounds(transformCommands(readPathData(shape!.data).commands, shape!.transform));
}

// CSS Masking 1, 6.2: x, y, width and height of a mask, by default -10 % and 120 % of the box of what is masked.
test.each([
  ['', [3, 3, 87, 87]],
  ['x="0" y="0" width=".5" height="1"', [10, 10, 45, 80]],
  ['x="25%" y="0" width="50%" height="100%"', [27.5, 10, 62.5, 80]],
  ['maskUnits="userSpaceOnUse" x="20" y="30" width="30" height="40"', [20, 30, 50, 70]],
  ['maskUnits="userSpaceOnUse" x="50%" y="0" width="50%" height="50%"', [48, 0, 96, 48]],
  [
    'maskUnits="objectBoundingBox" maskContentUnits="userSpaceOnUse" x="0" y="0" width="1" height="1"',
    [10, 10, 80, 80],
  ],
])('a mask with %p has its region where the standard says', (attributes, edges) => {
  const { left, top, right, bottom } = regionOf(attributes)!;
  [left, top, right, bottom].forEach((edge, i) => expect(edge).toBeCloseTo(edges[i]!, 6));
});
