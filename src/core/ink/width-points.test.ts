import fc from 'fast-check';
import {
  EVEN_WIDTHS,
  smoothWidthPoint,
  straightWidthPoint,
  withNewWidthPoint,
  withoutWidthPoint,
  withWidthHandle,
  withWidthPoint,
} from './width-points';
import { laidOut, widthShareAt, widthsSchema, WIDTH_PRESETS, type Widths } from './width-profile';

const share = fc.integer({ min: 0, max: 1000 }).map((n) => n / 1000);
const away = fc.integer({ min: -3000, max: 3000 }).map((n) => n / 1000);
const drawn = fc
  .array(fc.tuple(share, fc.integer({ min: 0, max: 10_000 })), { minLength: 1, maxLength: 6 })
  .map((points): Widths =>
    points.map(([at, scale]) => ({ at, scale: scale / 1000 })).sort((a, b) => a.at - b.at),
  );
const presets = Object.values(WIDTH_PRESETS).filter((preset) => preset !== null);
const profiles = fc.oneof(drawn, fc.constantFrom<Widths>(EVEN_WIDTHS, ...presets));
const withIndex = profiles.chain((widths) =>
  fc.tuple(fc.constant(widths), fc.nat({ max: widths.length - 1 })),
);

/** Drags and typed numbers go anywhere; what comes of them is a profile that may be saved. */
const expectSound = (widths: Widths) => {
  const read = widthsSchema.safeParse(widths);
  expect(read.error?.issues).toBeUndefined();
};

test('wherever a point or a handle is pulled, the profile stays one: in order, within its bounds', () => {
  fc.assert(
    fc.property(
      withIndex,
      fc.array(fc.tuple(fc.constantFrom('point', 'in', 'out', 'new', 'smooth', 'straight'), away, away), {
        maxLength: 6,
      }),
      ([start, index], pulls) => {
        let widths = start;
        for (const [what, at, scale] of pulls) {
          const i = Math.min(index, widths.length - 1);
          const point = widths[i]!;
          if (what === 'new') widths = withNewWidthPoint(widths, at).widths;
          else if (what === 'point') widths = withWidthPoint(widths, i, { ...point, at, scale });
          else if (what === 'smooth') widths = withWidthPoint(widths, i, smoothWidthPoint(widths, i));
          else if (what === 'straight') widths = withWidthPoint(widths, i, straightWidthPoint(point));
          else widths = withWidthPoint(widths, i, withWidthHandle(point, what, { at, scale }));
        }
        expectSound(widths);
      },
    ),
  );
});

test('a handle is in line with the one across, which stays as long along the stroke as it was', () => {
  fc.assert(
    fc.property(
      withIndex,
      fc.constantFrom<'in' | 'out'>('in', 'out'),
      away,
      away,
      ([widths, i], side, at, scale) => {
        const smooth = smoothWidthPoint(widths, i);
        const turned = withWidthHandle(smooth, side, { at, scale });
        const [pulled, other] = side === 'in' ? [turned.in!, turned.out] : [turned.out!, turned.in];
        expect(Math.sign(pulled.at)).toBe(side === 'in' ? -1 : 1);
        if (!other || Math.abs(other.scale) === 10) return;
        expect(other.at).toBe((side === 'in' ? smooth.out : smooth.in)!.at);
        expect(other.scale * pulled.at).toBeCloseTo(pulled.scale * other.at, 9);
      },
    ),
  );
});

test('a new point lies on the profile, between its neighbours; taken out again everything is as before', () => {
  fc.assert(
    fc.property(profiles, share, (widths, at) => {
      const { widths: more, index } = withNewWidthPoint(widths, at);
      expect(more).toHaveLength(widths.length + 1);
      expect(more[index]!.at).toBe(at);
      expect(more[index]!.scale).toBeCloseTo(widthShareAt(laidOut(widths), at), 9);
      expect(withoutWidthPoint(more, index)).toEqual(widths);
    }),
  );
  expect(withoutWidthPoint([{ at: 0.5, scale: 1 }], 0)).toHaveLength(1);
});

test('a smoothed point turns no corner: its handles run along the line between its neighbours', () => {
  const widths: Widths = [
    { at: 0, scale: 0 },
    { at: 0.4, scale: 1 },
    { at: 1, scale: 0.2 },
  ];
  const { in: before, out: after } = smoothWidthPoint(widths, 1);
  expect(before!.scale / before!.at).toBeCloseTo(0.2, 12);
  expect(after!.scale / after!.at).toBeCloseTo(0.2, 12);
  // A third of the way to each: there a cubic through points on a line is that line (Bernstein form of degree elevation).
  expect(before!.at).toBeCloseTo(-0.4 / 3, 12);
  expect(after!.at).toBeCloseTo(0.6 / 3, 12);
});
