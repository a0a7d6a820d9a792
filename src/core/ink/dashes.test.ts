import CanvasKitInit, { type CanvasKit } from 'canvaskit-wasm';
import fc from 'fast-check';
import { capsOf } from './caps-and-joins';
import { dirname, join } from 'node:path';
import { corner, measurePath, pointAtLength, wholePath, type Path, type Point } from '../geometry';
import { cubicFamilies, seeded } from '../testing/families';
import {
  DASH_PRESETS,
  dashesInUnit,
  dashPresetOf,
  dashSpans,
  dashUnit,
  grownPattern,
  marchedBy,
  mendedPattern,
  NEW_DASHES,
  patternLength,
  readPattern,
  type Dashes,
  type DashesNow,
  type Span,
} from './dashes';

let kit: CanvasKit;
beforeAll(async () => {
  const folder = dirname(require.resolve('canvaskit-wasm/bin/canvaskit.js'));
  kit = await CanvasKitInit({ locateFile: (file: string) => join(folder, file) });
});

const plain = (pattern: readonly number[], phase = 0, more: Partial<DashesNow> = {}): DashesNow => ({
  pattern,
  phase,
  flow: 'stay',
  fit: false,
  corners: false,
  ...more,
});
const whole = (length: number): Span => ({ from: 0, to: length });

/** First and last points of the pieces that canvaskit’s dash effect makes of a path. */
function theirs(path: Path, on: number, off: number, phase: number): [Point, Point][] {
  const data = wholePath(path)
    .map((c) => c.join(' '))
    .join(' ');
  const made = kit.Path.MakeFromSVGString(data)!;
  const dashed = made.makeDashed(on, off, phase)!;
  const ends: [Point, Point][] = [];
  const commands = dashed.toCmds();
  const after: Record<number, number> = {
    [kit.MOVE_VERB]: 2,
    [kit.LINE_VERB]: 2,
    [kit.QUAD_VERB]: 4,
    [kit.CONIC_VERB]: 5,
    [kit.CUBIC_VERB]: 6,
    [kit.CLOSE_VERB]: 0,
  };
  for (let i = 0; i < commands.length;) {
    const verb = commands[i]!;
    const count = after[verb]!;
    const tail = verb === kit.CONIC_VERB ? 1 : 0;
    if (count > 0) {
      const p = { x: commands[i + count - tail - 1]!, y: commands[i + count - tail]! };
      if (verb === kit.MOVE_VERB) ends.push([p, p]);
      else ends.at(-1)![1] = p;
    }
    i += count + 1;
  }
  made.delete();
  dashed.delete();
  return ends;
}

test('dashes begin and end where canvaskit’s dash effect has them', () => {
  const random = seeded(4);
  for (const [family, c] of cubicFamilies(random, 6)) {
    if (['tiny', 'cusp', 'near cusp', 'doubled back', 'straight'].includes(family)) continue;
    const path: Path = {
      closed: false,
      points: [
        { ...corner(c[0], c[1]), out: { x: c[2] - c[0], y: c[3] - c[1] } },
        { ...corner(c[6], c[7]), in: { x: c[4] - c[6], y: c[5] - c[7] } },
      ],
    };
    const m = measurePath(path);
    if (m.length < 1) continue;
    const [on, off] = [5 + random() * 60, 5 + random() * 60];
    const phase = (random() - 0.5) * 4000;
    const ours = dashSpans(plain([on, off], phase), m.length, false, whole(m.length));
    const other = theirs(path, on, off, ((phase % (on + off)) + on + off) % (on + off));
    // A sliver at either end may fall to one side or the other of its rounding.
    const real = (pieces: readonly [Point, Point][]) =>
      pieces.filter(([a, b]) => Math.hypot(a.x - b.x, a.y - b.y) > 0.3);
    const mine = real(ours.map((s): [Point, Point] => [pointAtLength(m, s.from), pointAtLength(m, s.to)]));
    const its = real(other);
    expect([family, mine.length]).toEqual([family, its.length]);
    mine.forEach(([a, b], i) => {
      const [p, q] = its[i]!;
      // Its arc length is measured on chords, good to a share of a pixel.
      expect(Math.hypot(a.x - p.x, a.y - p.y)).toBeLessThan(1);
      expect(Math.hypot(b.x - q.x, b.y - q.y)).toBeLessThan(1);
    });
  }
});

test('a phase of whole patterns, forward or back and however large, changes nothing; odd and empty patterns hold', () => {
  const pattern = [12, 5, 0, 9];
  const at = (phase: number) => dashSpans(plain(pattern, phase), 400, false, whole(400));
  const period = patternLength(pattern);
  for (const turns of [1, -1, 7, -40_000]) {
    at(3 + turns * period).forEach((span, i) => {
      expect(span.from).toBeCloseTo(at(3)[i]!.from, 4);
      expect(span.to).toBeCloseTo(at(3)[i]!.to, 4);
    });
  }
  // SVG 2, 13.5.6: all zero is a solid line.
  expect(dashSpans(plain([0, 0]), 400, false, whole(400))).toEqual([whole(400)]);
  // More dashes than can be seen are one line, and answer at once.
  expect(dashSpans(plain([1e-6, 1e-6]), 400, false, whole(400))).toEqual([whole(400)]);
});

test('stay put: whatever part is inked, dashes lie where they lie on the whole', () => {
  const random = seeded(8);
  for (let k = 0; k < 200; k++) {
    const closed = k % 2 === 0;
    const dashes = plain([5 + random() * 30, 3 + random() * 20, random() * 9, 4], random() * 90 - 45, {
      fit: random() < 0.5,
    });
    const all = dashSpans(dashes, 500, closed, whole(500));
    const [a, b] = [random() * 500, random() * 500].sort((p, q) => p - q) as [number, number];
    const part = dashSpans(dashes, 500, closed, { from: a, to: b });
    const cut = all
      .flatMap((s) =>
        s.to > 500
          ? [
              { from: s.from, to: 500 },
              { from: 0, to: s.to - 500 },
            ]
          : [s],
      )
      .map((s) => ({ from: Math.max(a, s.from), to: Math.min(b, s.to) }))
      .filter((s) => s.to > s.from + 1e-6)
      .sort((p, q) => p.from - q.from);
    const own = part.filter((s) => s.to > s.from + 1e-6);
    expect(own.length).toBe(cut.length);
    own.forEach((s, i) => {
      expect(s.from).toBeCloseTo(cut[i]!.from, 6);
      expect(s.to).toBeCloseTo(cut[i]!.to, 6);
    });
  }
});

test('ride the tail: the pattern begins at the tail, wherever that is', () => {
  for (const tail of [0, 13, 77.7]) {
    const spans = dashSpans(plain([10, 6], 0, { flow: 'ride' }), 300, false, { from: tail, to: 250 });
    expect(spans[0]!.from).toBeCloseTo(tail, 9);
    expect(spans[1]!.from).toBeCloseTo(tail + 16, 9);
  }
});

test('fit: an open stroke begins and ends with a whole dash, a closed one has no seam', () => {
  const random = seeded(12);
  for (let k = 0; k < 100; k++) {
    const length = 100 + random() * 900;
    const pattern = [4 + random() * 20, 2 + random() * 20];
    const open = dashSpans(plain(pattern, 0, { fit: true }), length, false, whole(length));
    const size = (s: Span) => s.to - s.from;
    expect(open[0]!.from).toBeCloseTo(0, 9);
    expect(open.at(-1)!.to).toBeCloseTo(length, 6);
    expect(size(open.at(-1)!)).toBeCloseTo(size(open[0]!), 6);
    const closed = dashSpans(plain(pattern, random() * 50, { fit: true }), length, true, whole(length));
    const gaps = closed.map((s, i) => (closed[(i + 1) % closed.length]!.from - s.to + 2 * length) % length);
    closed.forEach((s) => expect(size(s)).toBeCloseTo(size(closed[0]!), 6));
    gaps.forEach((gap) => expect(gap).toBeCloseTo(gaps[0]!, 6));
  }
});

test('corners lie in the middle of dashes, also where the path does not start at one', () => {
  const corners = [70, 190, 300, 460];
  for (const closed of [true, false]) {
    const spans = dashSpans(plain([14, 9], 0, { corners: true }), 500, closed, whole(500), corners);
    for (const c of corners) {
      const span = spans.find((s) => s.from < c && s.to > c)!;
      const [before, after] = [c - span.from, span.to - c];
      // Each side is stretched by itself; half a dash lies on either hand.
      for (const half of [before, after]) expect(half / 7).toBeGreaterThan(0.7);
      for (const half of [before, after]) expect(half / 7).toBeLessThan(1.4);
    }
  }
});

test('marching: seamless speeds bring the pattern home after the loop, and keep their direction', () => {
  const random = seeded(31);
  for (let k = 0; k < 100; k++) {
    const period = 10 + random() * 80;
    const speed = { value: (random() - 0.5) * 900, unit: k % 2 ? 'px' : 'patterns', seamless: true } as const;
    const gone = marchedBy(speed, period, 125, 25, 125) / period;
    expect(Math.abs(gone - Math.round(gone))).toBeLessThan(1e-9);
    expect(Math.sign(gone)).toBe(Math.sign(speed.value));
  }
  const plainSpeed = { value: 40, unit: 'px', seamless: false } as const;
  expect(marchedBy(plainSpeed, 33, 50, 25, 125)).toBeCloseTo(80, 9);
});

test('dashes grow until they are the whole stroke, and shrink to nothing, at the same beat', () => {
  const pattern = [10, 30, 0, 20];
  for (const grow of [-1, -0.5, 0, 0.3, 1])
    expect(patternLength(grownPattern(pattern, grow))).toBeCloseTo(60, 9);
  expect(dashSpans(plain(grownPattern([40, 360], 1)), 400, false, whole(400))).toEqual([whole(400)]);
});

test('gaps that caps would close are opened, others are left alone', () => {
  expect(mendedPattern([6, 10], 10, capsOf({ cap: 'round' }))).toEqual([6, 15]);
  expect(mendedPattern([6, 10], 10, capsOf({ cap: 'flat' }))).toEqual([6, 10]);
  expect(mendedPattern([6, 30], 10, capsOf({ cap: 'round' }))).toEqual([6, 30]);
});

test('a pattern in another unit lies where it lay; presets are told by their pattern, typed numbers by whatever parts them', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 1, max: 500 }), { minLength: 1, maxLength: 6 }),
      fc.integer({ min: 1, max: 90 }),
      fc.integer({ min: 100, max: 3000 }),
      fc.array(fc.constantFrom<Dashes['unit']>('px', 'widths', 'share'), { minLength: 1, maxLength: 5 }),
      (pattern, width, length, units) => {
        const typed: Dashes = { ...NEW_DASHES, pattern, unit: 'px' };
        const dashes = units.reduce((now, unit) => dashesInUnit(now, unit, width, length), typed);
        const k = dashUnit(dashes.unit, width, length);
        dashes.pattern.forEach((part, i) => expect(part * k).toBeCloseTo(pattern[i]!, 6));
      },
    ),
  );
  for (const [name, pattern] of Object.entries(DASH_PRESETS))
    expect(dashPresetOf({ ...NEW_DASHES, pattern })).toBe(name);
  expect(dashPresetOf({ ...NEW_DASHES, unit: 'px' })).toBeNull();
  expect(dashPresetOf({ ...NEW_DASHES, pattern: [3, 3.1] })).toBeNull();
  for (const typed of ['18 12 4 12', '18, 12, 4, 12', ' 18·12 · 4;12 '])
    expect(readPattern(typed)).toEqual([18, 12, 4, 12]);
  for (const typed of ['', ' ', '12 x', '-3 4', '5000', '1e999', Array(25).fill('1').join(' ')])
    expect(readPattern(typed)).toBeNull();
});
