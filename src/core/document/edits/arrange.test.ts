import fc from 'fast-check';
import {
  addLayers,
  alignParts,
  distributeParts,
  flipParts,
  groupLayers,
  newPiece,
  newStroke,
  sameSize,
  setParent,
  setPlace,
  sizedTo,
  standingBox,
  type AlignBy,
  type Piece,
} from '..';
import { corner, unite, type Bounds } from '../../geometry';
import { times } from '../../testing/cases';

const FRAME = 5;
const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const spot = fc.record({ x: number(0, 1600), y: number(0, 900), w: number(20, 300), h: number(20, 300) });
const place = fc.record({
  x: number(-200, 200),
  y: number(-200, 200),
  scaleX: number(0.4, 2),
  scaleY: number(0.4, 2),
  rotation: number(-3, 3),
  skewX: number(-0.6, 0.6),
});

/** Four strokes, each placed anyhow; the last two lie in a group that is placed anyhow, the second is carried by the first. */
const pieces = fc
  .tuple(fc.tuple(spot, spot, spot, spot), fc.tuple(place, place, place, place), place)
  .map(([spots, places, ofGroup]): Piece => {
    let piece = addLayers(
      newPiece('Arranged', { width: 1920, height: 1080 }, { numerator: 25, denominator: 1 }, 50),
      spots.map(({ x, y, w, h }, i) =>
        newStroke(`s${i}`, `S${i}`, {
          closed: false,
          points: [corner(x, y), corner(x + w, y + h), corner(x + w / 2, y - h)],
        }),
      ),
    );
    piece = groupLayers(piece, ['s2', 's3'], { id: 'g', name: 'G' });
    places.forEach((values, i) => (piece = setPlace(piece, `s${i}`, FRAME, values)));
    piece = setPlace(piece, 'g', FRAME, { ...ofGroup, skewX: 0, scaleY: ofGroup.scaleX });
    return setParent(piece, 's1', 's0', FRAME);
  });
const IDS = ['s0', 's1', 'g'];
const boxes = (piece: Piece, ids = IDS): Bounds[] => ids.map((id) => standingBox(piece, id, FRAME)!);
const near = (a: number, b: number): boolean => Math.abs(a - b) < 1e-3;
const same = (a: Bounds, b: Bounds): boolean =>
  near(a.left, b.left) && near(a.right, b.right) && near(a.top, b.top) && near(a.bottom, b.bottom);

const VALUE: Record<AlignBy, (b: Bounds) => number> = {
  left: (b) => b.left,
  centre: (b) => (b.left + b.right) / 2,
  right: (b) => b.right,
  top: (b) => b.top,
  middle: (b) => (b.top + b.bottom) / 2,
  bottom: (b) => b.bottom,
};

test.each(Object.keys(VALUE) as AlignBy[])(
  'aligned by their %s, layers and groups share it with one another or the picture, whatever carries them',
  (by) => {
    const picture = { left: 0, top: 0, right: 1920, bottom: 1080 };
    fc.assert(
      fc.property(pieces, fc.boolean(), (piece, toPicture) => {
        const goal = VALUE[by](toPicture ? picture : unite(boxes(piece))!);
        const after = boxes(alignParts(piece, IDS, FRAME, by, toPicture ? picture : null));
        return after.every((box) => near(VALUE[by](box), goal));
      }),
      { numRuns: times(60, 1200) },
    );
  },
);

test('what is aligned along one axis stays where it is along the other, and keeps its size', () => {
  fc.assert(
    fc.property(pieces, (piece) => {
      const before = boxes(piece, ['s0', 'g']);
      const after = boxes(alignParts(piece, ['s0', 'g'], FRAME, 'left'), ['s0', 'g']);
      return after.every(
        (box, i) =>
          near(box.top, before[i]!.top) && near(box.right - box.left, before[i]!.right - before[i]!.left),
      );
    }),
    { numRuns: times(60, 1200) },
  );
});

test('distributed, middles stand evenly or gaps are equal, and the outermost stay', () => {
  const ids = ['s0', 's2', 's3'];
  fc.assert(
    fc.property(pieces, fc.constantFrom('x' as const, 'y' as const), (piece, axis) => {
      const [from, to] = axis === 'x' ? (['left', 'right'] as const) : (['top', 'bottom'] as const);
      const middle = (id: string) => {
        const [box] = boxes(piece, [id]);
        return box![from] + box![to];
      };
      const order = [...ids].sort((a, b) => middle(a) - middle(b));
      const inOrder = (now: Piece) => boxes(now, order) as [Bounds, Bounds, Bounds];
      const before = inOrder(piece);
      const [a, b, c] = inOrder(distributeParts(piece, ids, FRAME, axis, 'gaps'));
      const gaps = near(b[from] - a[to], c[from] - b[to]);
      const [d, e, f] = inOrder(distributeParts(piece, ids, FRAME, axis, 'middles'));
      const middles = near(2 * (e[from] + e[to]), d[from] + d[to] + f[from] + f[to]);
      const stay = (one: Bounds, was: Bounds) => near(one[from], was[from]) && near(one[to], was[to]);
      return (
        gaps &&
        middles &&
        [a, d].every((box) => stay(box, before[0])) &&
        [c, f].every((box) => stay(box, before[2]))
      );
    }),
    { numRuns: times(80, 1600) },
  );
});

test('flipped, each box is the mirror image of what it was in the common one; flipped again all is as before', () => {
  fc.assert(
    fc.property(pieces, fc.constantFrom('x' as const, 'y' as const), (made, axis) => {
      // Whatever stands straight within its group is mirrored in the picture.
      const piece = setPlace(made, 'g', FRAME, { rotation: 0 });
      const ids = ['s0', 's2', 's3'];
      const before = boxes(piece, ids);
      const around = unite(before)!;
      const flipped = flipParts(piece, ids, FRAME, axis);
      const after = boxes(flipped, ids);
      const mirrored = before.map((b) =>
        axis === 'x'
          ? { ...b, left: around.left + around.right - b.right, right: around.left + around.right - b.left }
          : { ...b, top: around.top + around.bottom - b.bottom, bottom: around.top + around.bottom - b.top },
      );
      const again = boxes(flipParts(flipped, ids, FRAME, axis), ids);
      return (
        after.every((box, i) => same(box, mirrored[i]!)) && again.every((box, i) => same(box, before[i]!))
      );
    }),
    { numRuns: times(60, 1200) },
  );
});

test('the same size and an exact size are reached in their own proportions', () => {
  fc.assert(
    fc.property(pieces, number(50, 1500), (piece, wide) => {
      const ids = ['s0', 's2', 's3'];
      const [first, second] = boxes(sameSize(piece, ids, FRAME, 'x'), ids);
      const sized = boxes(sizedTo(piece, ['s0', 'g'], FRAME, 'x', wide), ['s0', 'g']);
      const [was, is] = [unite(boxes(piece, ['s0', 'g']))!, unite(sized)!];
      const shape = (b: Bounds) => (b.right - b.left) / (b.bottom - b.top);
      return (
        near(second!.right - second!.left, first!.right - first!.left) &&
        near(is.right - is.left, wide) &&
        Math.abs(shape(is) / shape(was) - 1) < 1e-6 &&
        near(is.left, was.left) &&
        near(is.top, was.top)
      );
    }),
    { numRuns: times(60, 1200) },
  );
});

test('what is keyed gets a key at the frame, and other frames stay as they were', () => {
  fc.assert(
    fc.property(pieces, (made) => {
      const x = {
        keys: [0, 20].map((frame) => ({ frame, value: frame, easing: { type: 'linear' as const } })),
      };
      const piece: Piece = {
        ...made,
        layers: made.layers.map((layer) =>
          layer.id === 's0' ? { ...layer, place: { ...layer.place!, x } } : layer,
        ),
      };
      const after = alignParts(piece, ['s0'], FRAME, 'left', { left: 0, top: 0, right: 9, bottom: 9 });
      const keys = (after.layers[0]!.place!.x as typeof x).keys;
      return (
        keys.length === 3 &&
        near(standingBox(after, 's0', FRAME)!.left, 0) &&
        same(standingBox(after, 's0', 20)!, standingBox(piece, 's0', 20)!)
      );
    }),
    { numRuns: times(30, 1000) },
  );
});
