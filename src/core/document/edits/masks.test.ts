import { applyMatrix, corner, lineShape, pathBounds, widened, type inverse, type Path } from '../../geometry';
import { ownBox } from '../at/own-box';
import { pathAt } from '../at/path-at';
import { worldOf } from '../at/world';
import { maskSchema, newMask, type MaskKind } from '../schema/mask';
import { DEFAULT_INK, newPiece, newStroke } from '../schema/new-piece';
import { partWithId, strokeById, type Piece } from '../schema/piece';
import { groupLayers } from './groups';
import { addLayers } from './layers';
import { changeMask, maskFromStroke, maskShapeAround, setMasks, standMask, swapMasks } from './masks';
import { setPlace } from './place';

const box = (x: number, y: number, w: number, h: number): Path => ({
  closed: true,
  points: [corner(x, y), corner(x + w, y), corner(x + w, y + h), corner(x, y + h)],
});
const TURNED = { x: 120, y: -40, rotation: 0.7, scaleX: 1.5, scaleY: 0.8 };

/** A stroke that is placed askew, and a closed one in a group that is moved. */
function askew(): Piece {
  const plain = addLayers(newPiece('Masks'), [
    newStroke('a', 'Word', box(300, 300, 400, 100)),
    newStroke('b', 'Reed', box(900, 500, 60, 200)),
  ]);
  const placed = setPlace(plain, 'a', 0, TURNED);
  return setPlace(groupLayers(placed, ['b'], { id: 'g', name: 'G' }), 'g', 0, { x: -200, y: 30 });
}

const corners = (path: Path, m: NonNullable<ReturnType<typeof inverse>>) =>
  path.points.map((point) => applyMatrix(m, point));

test('a mask round something holds all that it shows, whatever its kind, and may be saved', () => {
  const piece = askew();
  const kinds: Exclude<MaskKind, 'path'>[] = [
    'rectangle',
    'ellipse',
    'linear wipe',
    'radial wipe',
    'clock wipe',
  ];
  for (const kind of kinds) {
    const shape = maskShapeAround(piece, 'a', 0, kind)!;
    expect(maskSchema.safeParse(newMask(kind, shape)).success).toBe(true);
  }
  const wide = strokeById(piece, 'a')!.ink.width as number;
  const around = widened(ownBox(piece, 'a', 0)!, wide / 2);
  expect(maskShapeAround(piece, 'a', 0, 'rectangle')).toMatchObject({
    x: around.left,
    y: around.top,
    width: around.right - around.left,
    height: around.bottom - around.top,
  });
  // A disc about the middle of a box reaches its corners with half its diagonal (Pythagoras).
  expect(maskShapeAround(piece, 'a', 0, 'radial wipe')).toMatchObject({
    reach: Math.hypot(around.right - around.left, around.bottom - around.top) / 2,
  });
  // A rule is a line without any height; what is seen of it is its ink.
  const ruled = addLayers(newPiece('Rule'), [
    newStroke('r', 'Rule', lineShape({ x: 100, y: 50 }, { x: 500, y: 50 }), { ...DEFAULT_INK, width: 12 }),
  ]);
  const round = { x: 94, y: 44, width: 412, height: 12 };
  expect(maskShapeAround(ruled, 'r', 0, 'rectangle')).toMatchObject(round);
  // The same in a group, where the stroke stands twice as large.
  const group = groupLayers(setPlace(ruled, 'r', 0, { scaleX: 2, scaleY: 2, pivotX: 0, pivotY: 0 }), ['r'], {
    id: 'g',
    name: 'G',
  });
  expect(maskShapeAround(group, 'g', 0, 'rectangle')).toMatchObject({
    x: expect.closeTo(188, 6) as number,
    height: expect.closeTo(24, 6) as number,
  });
  const empty = addLayers(newPiece('Empty'), [newStroke('e', 'E', { closed: false, points: [] })]);
  expect(maskShapeAround(empty, 'e', 0, 'rectangle')).toBeNull();
});

test('a drawn shape masks where it is seen: in what it masks, or standing in the picture', () => {
  const piece = askew();
  const [part, stroke] = [partWithId(piece, 'a')!, strokeById(piece, 'b')!];
  const seen = corners(stroke.path, worldOf(piece, stroke, 0));
  const pathOf = (mask: ReturnType<typeof maskFromStroke>): Path => {
    if (mask?.shape.kind !== 'path') throw new Error('no drawn shape');
    return pathAt(mask.shape.path, 0);
  };
  const moving = maskFromStroke(piece, part, stroke, 0, false);
  corners(pathOf(moving), worldOf(piece, part, 0)).forEach((point, i) => {
    expect(point.x).toBeCloseTo(seen[i]!.x, 6);
    expect(point.y).toBeCloseTo(seen[i]!.y, 6);
  });
  expect(moving).toMatchObject({ how: 'add', name: 'shape: Reed' });
  const holdOut = maskFromStroke(piece, part, stroke, 0, true);
  expect(pathOf(holdOut).points.map(({ x, y }) => ({ x, y }))).toEqual(seen);
  expect(holdOut).toMatchObject({ how: 'subtract', stands: 'picture' });
  // What is flat has no inside to lie in.
  const flat = setPlace(piece, 'a', 0, { scaleX: 0 });
  expect(maskFromStroke(flat, partWithId(flat, 'a')!, stroke, 0, false)).toBeNull();
  expect(maskFromStroke(flat, partWithId(flat, 'a')!, stroke, 0, true)).not.toBeNull();
});

test('a mask is set standing in the picture and let move along again where it is seen', () => {
  const start = askew();
  const mask = maskFromStroke(start, partWithId(start, 'a')!, strokeById(start, 'b')!, 0, false)!;
  const piece = setMasks(start, 'a', [{ ...mask, feather: 12 }, newMask('second', mask.shape)]);
  const standing = standMask(piece, 'a', 0, true, 0);
  const [stood, second] = partWithId(standing, 'a')!.masks!;
  expect(stood!.stands).toBe('picture');
  expect(second).toBe(partWithId(piece, 'a')!.masks![1]);
  const seen = corners(strokeById(piece, 'b')!.path, worldOf(piece, strokeById(piece, 'b')!, 0));
  if (stood!.shape.kind !== 'path') throw new Error('no drawn shape');
  const bounds = pathBounds(pathAt(stood!.shape.path, 0))!;
  expect(bounds.left).toBeCloseTo(Math.min(...seen.map(({ x }) => x)), 6);
  expect(bounds.bottom).toBeCloseTo(Math.max(...seen.map(({ y }) => y)), 6);
  const back = partWithId(standMask(standing, 'a', 0, false, 0), 'a')!.masks![0]!;
  expect(back.stands).toBeUndefined();
  expect(back.feather).toBeCloseTo(12, 9);
});

test('masks change places and parts, each by its own number; a list without any goes', () => {
  const piece = askew();
  const shape = maskShapeAround(piece, 'a', 0, 'rectangle')!;
  const masked = setMasks(
    piece,
    'a',
    ['one', 'two', 'three'].map((name) => newMask(name, shape)),
  );
  const names = (p: Piece) => partWithId(p, 'a')!.masks?.map(({ name, inverted }) => [name, inverted]);
  const swapped = swapMasks(masked, 'a', 0, 2);
  expect(names(changeMask(swapped, 'a', 1, { inverted: true }))).toEqual([
    ['three', false],
    ['two', true],
    ['one', false],
  ]);
  expect(partWithId(setMasks(masked, 'a', []), 'a')).not.toHaveProperty('masks');
});
