import fc from 'fast-check';
import { rampAt, sortedStops } from '../../colour';
import { isKeyed } from '../../timing';
import { changed } from '../parts/changed';
import { inkSchema, swatchColour, type Gradient, type Ink } from '../schema/ink';
import { DEFAULT_INK } from '../schema/new-piece';
import {
  colourRunOf,
  stopsListed,
  turnedStops,
  withColourRun,
  withNewStop,
  withoutStop,
  withStopAt,
} from './gradient-stops';

const share = fc.integer({ min: 0, max: 100 }).map((n) => n / 100);
const colour = fc.constantFrom('#ff6b3d', '#43b3a0', '#ede6d8', '#15120e');
const gradients = fc
  .array(fc.record({ at: share, colour, opacity: share }), { minLength: 1, maxLength: 5 })
  .map((stops): Gradient => ({ along: 'visible', from: { x: 0, y: 0 }, to: { x: 100, y: 0 }, stops }));
const SHARES = Array.from({ length: 41 }, (_, i) => i / 40);
const looks = (gradient: Gradient, frame: number) => {
  const stops = sortedStops(stopsListed(gradient, frame));
  return SHARES.map((at) => rampAt(stops, at));
};
const rgb = (hex: string) => [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16));
/** The greatest difference in any channel (of 255) or opacity (of 1) along two ramps. */
const apart = (a: ReturnType<typeof looks>, b: ReturnType<typeof looks>) => {
  const colours = a.flatMap((one, i) =>
    rgb(one.colour).map((value, k) => Math.abs(value - rgb(b[i]!.colour)[k]!)),
  );
  const opacities = a.map((one, i) => Math.abs(one.opacity - b[i]!.opacity));
  return { colour: Math.max(...colours), opacity: Math.max(...opacities) };
};

test('a new stop is of the colour that is there: nothing looks otherwise', () => {
  fc.assert(
    fc.property(gradients, share, (gradient, at) => {
      // Where two stops lie at one place, which of them a third there stands beside is open.
      fc.pre(new Set(gradient.stops.map((stop) => stop.at)).size === gradient.stops.length);
      fc.pre(gradient.stops.every((stop) => stop.at !== at));
      const more = withNewStop(gradient, at, 0);
      expect(more.stops).toHaveLength(gradient.stops.length + 1);
      const off = apart(looks(gradient, 0), looks(more, 0));
      // Colours of stops are whole bytes; between them OKLab may round once more.
      expect(off.colour).toBeLessThanOrEqual(3);
      expect(off.opacity).toBeLessThan(0.01);
    }),
  );
});

test('turned twice a gradient is as it was; turned once its far end is the near one', () => {
  fc.assert(
    fc.property(gradients, (gradient) => {
      const turned = turnedStops(gradient, 0);
      expect(stopsListed(turned, 0).map(({ at }) => 1 - at)).toEqual(
        gradient.stops.map(({ at }) => expect.closeTo(at as number, 12) as number),
      );
      const back = stopsListed(turnedStops(turned, 0), 0);
      back.forEach(({ at }, i) => expect(at).toBeCloseTo(gradient.stops[i]!.at as number, 12));
    }),
  );
});

test('a stop that is keyed gets a key where it is moved, one that is not just stands there; the last stop stays', () => {
  const gradient: Gradient = {
    along: 'whole',
    from: { x: 0, y: 0 },
    to: { x: 1, y: 0 },
    stops: [
      { at: { keys: [{ frame: 0, value: 0, easing: { type: 'linear' } }] }, colour: '#000000', opacity: 1 },
      { at: 1, colour: '#ffffff', opacity: 1 },
    ],
  };
  const moved = withStopAt(withStopAt(gradient, 0, 0.25, 10), 1, 0.123456, 10);
  const [first, second] = moved.stops;
  expect(isKeyed(first!.at) && first!.at.keys.map(({ frame, value }) => [frame, value])).toEqual([
    [0, 0],
    [10, 0.25],
  ]);
  expect(second!.at).toBe(0.1235);
  expect(withoutStop(moved, 0).stops).toEqual([second]);
  expect(withoutStop(withoutStop(moved, 0), 0).stops).toEqual([second]);
});

test('colours run along, across or not at all: each way keeps what colours there are, and the ink may be saved', () => {
  const size = { width: 1920 };
  const runs = ['solid', 'along', 'picture'] as const;
  fc.assert(
    fc.property(fc.array(fc.constantFrom(...runs), { maxLength: 5 }), colour, (ways, first) => {
      let ink: Ink = { ...DEFAULT_INK, colour: first };
      for (const way of ways) {
        const before = ink;
        ink = changed(ink, withColourRun(ink, way, size));
        expect(colourRunOf(ink)).toBe(way);
        expect(inkSchema.safeParse(ink).success).toBe(true);
        // The colour that stands for the whole ink is still in it, and a gradient that only lies otherwise has the same stops.
        if (way === 'solid') expect(ink.colour).toBe(swatchColour(before));
        else if (before.gradient) expect(ink.gradient!.stops).toBe(before.gradient.stops);
        else expect(ink.gradient!.stops[0]!.colour).toBe(swatchColour(before));
      }
    }),
  );
});
