import fc from 'fast-check';
import { SAMPLE_PROJECT } from '../../../../demo';
import { measurePath, smooth, subPath, wholePath, type Path } from '../../geometry';
import { evaluate } from '../../scene';
import { keysThrough, tracksOf, trimOf, type Track, type TrackItem } from '.';
import { grounded } from './ground';
import { times } from '../../testing/cases';

/** A frame's items put together again from tracks. */
const itemsAt = (tracks: readonly Track[], frame: number): TrackItem[] =>
  tracks.flatMap((track): TrackItem[] => {
    const item = track.items[frame];
    if (!item) return [];
    return track.kind === 'group'
      ? [{ ...item, items: itemsAt(track.children, frame) } as TrackItem]
      : [item];
  });

test.each(SAMPLE_PROJECT.pieces.map((piece) => [piece.name, piece] as const))(
  '%s: tracks hold every frame as it was, and far fewer things than frames do',
  (_, piece) => {
    const lists = Array.from({ length: piece.length }, (_, frame) => evaluate(piece, frame).items);
    const tracks = tracksOf(lists);
    for (let frame = 0; frame < lists.length; frame += 7)
      expect(itemsAt(tracks, frame)).toEqual(lists[frame]!.map(grounded));
    const all = lists.reduce((sum, items) => sum + items.length, 0);
    expect(tracks.length).toBeLessThan(all / 10);
  },
);

const coordinate = fc.integer({ min: 0, max: 1000 });
const handle = fc.integer({ min: -150, max: 150 });
const curve = fc
  .array(fc.tuple(coordinate, coordinate, handle, handle), { minLength: 2, maxLength: 6 })
  .map((points): Path => ({
    closed: false,
    points: points.map(([x, y, hx, hy]) => smooth(x, y, { x: hx, y: hy })),
  }))
  .filter((path) => measurePath(path).segments.every(({ length }) => length > 20));

const turningBack: Path = {
  closed: false,
  points: [
    smooth(0, 0, { x: 0, y: 0 }),
    smooth(655, 0, { x: 0, y: 0 }),
    smooth(0, 798, { x: 70, y: -117 }),
    smooth(225, 386, { x: -81, y: 70 }),
  ],
};

test('parts of a path are found on it again, where they begin and end, whatever way it takes', () => {
  fc.assert(
    fc.property(
      curve,
      fc.array(
        fc.tuple(fc.double({ min: 0, max: 0.9, noNaN: true }), fc.double({ min: 0.05, max: 1, noNaN: true })),
        { minLength: 1, maxLength: 5 },
      ),
      (path, shares) => {
        const m = measurePath(path);
        const spans = shares.map(
          ([from, size]) => [from * m.length, Math.min(1, from + size) * m.length] as const,
        );
        const trim = trimOf([wholePath(path), null, ...spans.map(([from, to]) => subPath(m, from, to))]);
        expect(trim?.length).toBeCloseTo(m.length, 6);
        expect(trim?.spans[1]).toBeNull();
        trim?.spans.slice(2).forEach((span, i) => {
          expect(Math.abs(span!.from - spans[i]![0])).toBeLessThan(0.1);
          expect(Math.abs(span!.to - spans[i]![1])).toBeLessThan(0.1);
        });
      },
    ),
    {
      numRuns: times(100, 2000),
      // It turns back so sharply before its end that it comes by the same place twice within a hundredth of its length.
      examples: [[turningBack, [[0.09164494028380961, 0.6738555500224455]]]],
    },
  );
});

test('a line of which a part is seen is trimmed by its length; a path that is none of the others’ is not', () => {
  const line = { closed: false, points: [smooth(0, 0, { x: 0, y: 0 }), smooth(200, 0, { x: 0, y: 0 })] };
  const m = measurePath(line);
  expect(trimOf([subPath(m, 0, 50), subPath(m, 30, 120), wholePath(line)])?.spans).toEqual([
    { from: 0, to: 50 },
    { from: 30, to: 120 },
    { from: 0, to: 200 },
  ]);
  expect(
    trimOf([
      subPath(m, 0, 50),
      wholePath({ ...line, points: [line.points[0]!, smooth(200, 9, { x: 0, y: 0 })] }),
    ]),
  ).toBeNull();
});

test('the fewest keys keep every number within what it may be off', () => {
  fc.assert(
    fc.property(
      fc.array(fc.option(fc.double({ min: -100, max: 100, noNaN: true }), { nil: null }), {
        minLength: 1,
        maxLength: 40,
      }),
      fc.double({ min: 0.01, max: 20, noNaN: true }),
      (values, off) => {
        const keys = keysThrough(
          values.map((value) => (value === null ? null : [value])),
          off,
        );
        values.forEach((value, frame) => {
          if (value === null) return;
          const after = keys.findIndex((key) => key.frame >= frame);
          const [a, b] = [keys[Math.max(0, after - 1)]!, keys[after]!];
          const t = b.frame === a.frame ? 0 : (frame - a.frame) / (b.frame - a.frame);
          const at = b.frame === frame ? b.values[0]! : a.values[0]! + (b.values[0]! - a.values[0]!) * t;
          expect(Math.abs(at - value)).toBeLessThanOrEqual(off + 1e-9);
        });
      },
    ),
  );
  const straight = Array.from({ length: 50 }, (_, i) => [3 + 2 * i]);
  expect(keysThrough(straight, 0.01)).toHaveLength(2);
});
