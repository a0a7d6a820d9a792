import fc from 'fast-check';
import { corner, distance, measurePath, smooth, type Path } from '../../geometry';
import { laidOut, widthShareAt } from '../../ink';
import { inkSchema, widestOf } from '../schema/ink';
import { DEFAULT_INK, newPiece, newStroke } from '../schema/new-piece';
import { strokeById, type Piece } from '../schema/piece';
import { fitToCover, isFarBeyond, lengthenToCover, widenToCover } from './cover';
import { addLayers } from './layers';

const path: Path = { closed: false, points: [smooth(100, 100, { x: 40, y: 30 }), corner(400, 120)] };
const piece = addLayers(newPiece('Cover'), [
  newStroke('a', 'A', path, { ...DEFAULT_INK, width: 20 }),
  newStroke('b', 'B', path, {
    ...DEFAULT_INK,
    width: 8,
    widths: [
      { at: 0, scale: 0.5 },
      { at: 1, scale: 1 },
    ],
  }),
]);
const ink = (p: Piece, id: string) => strokeById(p, id)!.ink;
const halves = fc.array(
  fc.integer({ min: 0, max: 90_000 }).map((n) => n / 1000),
  { minLength: 1, maxLength: 400 },
);
const bare = fc.record({
  stroke: fc.constantFrom('a', 'b', 'gone', null),
  reach: fc.integer({ min: 0, max: 120_000 }).map((n) => n / 1000),
  beyond: fc.constantFrom('start' as const, 'end' as const, null),
});

test('a fitted stroke reaches what is needed at every place, and is never wider than twice the most that is', () => {
  fc.assert(
    fc.property(halves, fc.integer({ min: 0, max: 8 }), (needed, spare) => {
      const fitted = ink(fitToCover(piece, [{ stroke: 'a', halves: needed }], spare), 'a');
      expect(inkSchema.safeParse(fitted).success).toBe(true);
      const most = Math.max(...needed);
      if (most === 0) {
        expect(fitted).toBe(ink(piece, 'a'));
        return;
      }
      expect(widestOf(fitted)).toBeLessThanOrEqual(2 * most + spare + 0.01);
      const shares = fitted.widths ? laidOut(fitted.widths) : null;
      const short = needed.map((half, k) => {
        const at = needed.length > 1 ? k / (needed.length - 1) : 0;
        const width = (fitted.width as number) * (shares ? widthShareAt(shares, at) : 1);
        return 2 * half + spare - width;
      });
      // Widths are kept to a hundredth of a px, and shares of them to a thousandth.
      expect(Math.max(...short)).toBeLessThan(0.01 + (fitted.width as number) * 1e-3);
    }),
  );
});

test('widened, strokes reach every bare place that is theirs; none becomes narrower, others stay the same', () => {
  fc.assert(
    fc.property(fc.array(bare, { maxLength: 5 }), (spots) => {
      const wide = widenToCover(piece, spots);
      for (const id of ['a', 'b']) {
        const own = spots.filter(({ stroke }) => stroke === id);
        if (own.length === 0) expect(strokeById(wide, id)).toBe(strokeById(piece, id));
        else {
          const reach = Math.max(...own.map((spot) => spot.reach));
          expect(widestOf(ink(wide, id))).toBeGreaterThanOrEqual(
            Math.max(2 * reach, widestOf(ink(piece, id))) - 1e-9,
          );
          expect(inkSchema.safeParse(ink(wide, id)).success).toBe(true);
        }
      }
    }),
  );
});

test('lengthened, a stroke runs straight on to the bare place beyond its end, and what was there stays', () => {
  fc.assert(
    fc.property(bare, (spot) => {
      const one = [spot] as Parameters<typeof lengthenToCover>[1];
      const long = lengthenToCover(piece, one);
      const [before, after] = ['a', 'b'].map(
        (id) => [strokeById(piece, id)!, strokeById(long, id)!] as const,
      )[spot.stroke === 'b' ? 1 : 0]!;
      const half = widestOf(before.ink) / 2;
      const isReached = spot.reach <= half;
      if (spot.beyond === null || isReached || (spot.stroke !== 'a' && spot.stroke !== 'b')) {
        expect(long).toEqual(piece);
        return;
      }
      const tip = spot.beyond === 'start' ? after.path.points[0]! : after.path.points.at(-1)!;
      const end = spot.beyond === 'start' ? before.path.points[0]! : before.path.points.at(-1)!;
      expect(distance(tip, end) + half).toBeGreaterThanOrEqual(spot.reach);
      const rest = spot.beyond === 'start' ? after.path.points.slice(1) : after.path.points.slice(0, -1);
      expect(rest).toEqual(before.path.points);
      expect(measurePath(after.path).length).toBeGreaterThan(measurePath(before.path).length);
      // A place far beyond is better reached so than by a wider pen; one beside the path never is.
      expect(isFarBeyond(piece, { ...one[0]!, beyond: null })).toBe(false);
    }),
  );
});
