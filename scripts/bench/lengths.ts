// Length of a path and the point at a length, against two libraries, over the same seeded curves.
import { Bezier } from 'bezier-js';
import { svgPathProperties } from 'svg-path-properties';
import { measureCubic, measurePath, pointAtLength, type Cubic, type Path } from '../../src/core/geometry';
import { cubicFamilies, seeded } from '../../src/core/testing/families';
import { median, report, times, us } from './table';

const cubics = cubicFamilies(seeded(42), 200)
  .filter(([family]) => family === 'any')
  .map(([, c]) => c);
const n = cubics.length;

/** A fresh path each time: a measured one keeps its table. */
const pathOf = (c: Cubic): Path => ({
  closed: false,
  points: [
    { x: c[0], y: c[1], in: { x: 0, y: 0 }, out: { x: c[2] - c[0], y: c[3] - c[1] }, kind: 'corner' },
    { x: c[6], y: c[7], in: { x: c[4] - c[6], y: c[5] - c[7] }, out: { x: 0, y: 0 }, kind: 'corner' },
  ],
});
const d = cubics.map((c) => `M${c[0]} ${c[1]}C${c.slice(2).join(' ')}`);
let sink = 0;

const ourLength = median(() => cubics.forEach((c) => (sink += measureCubic(c).length)), { inner: 10 }) / n;
const ourTable =
  median(() => cubics.forEach((c) => (sink += measurePath(pathOf(c)).length)), { inner: 10 }) / n;
const svgLength =
  median(() => d.forEach((text) => (sink += new svgPathProperties(text).getTotalLength()))) / n;
const bezierLength = median(() => cubics.forEach((c) => (sink += new Bezier([...c]).length()))) / n;

const measured = cubics.map((c) => measurePath(pathOf(c)));
const svg = d.map((text) => new svgPathProperties(text));
const shares = Array.from({ length: 8 }, (_, i) => (i + 0.5) / 8);
const ourPoint =
  median(() => measured.forEach((m) => shares.forEach((s) => (sink += pointAtLength(m, m.length * s).x))), {
    inner: 5,
  }) /
  n /
  8;
const svgPoint =
  median(() =>
    svg.forEach((p) => shares.forEach((s) => (sink += p.getPointAtLength(p.getTotalLength() * s).x))),
  ) /
  n /
  8;
/** bezier-js has no inverse of its own; the usual way is its table of points at even parameters. */
const bezier = cubics.map((c) => new Bezier([...c]));
const bezierPoint =
  median(
    () =>
      bezier.forEach((b) => {
        const lut = b.getLUT(100);
        const half = b.length() / 2;
        let walked = 0;
        for (let i = 1; i < lut.length && walked < half; i++) {
          walked += Math.hypot(lut[i]!.x - lut[i - 1]!.x, lut[i]!.y - lut[i - 1]!.y);
        }
        sink += walked;
      }),
    { rounds: 5 },
  ) / n;

report([
  {
    what: 'Length of a cubic',
    ours: us(ourLength),
    other: `svg-path-properties ${us(svgLength)}`,
    ratio: times(svgLength / ourLength),
    note: 'times as fast; aim ≥ 10. From its numbers, and there from its text, to the length',
  },
  {
    what: 'Length of a cubic, fixed order',
    ours: us(ourLength),
    other: `bezier-js ${us(bezierLength)}`,
    ratio: times(bezierLength / ourLength),
    note: 'times as fast; its rule is of fixed order, off by up to 1e-2 near cusps',
  },
  {
    what: 'Measuring a path never seen before, table kept for it',
    ours: us(ourTable),
    other: `svg-path-properties ${us(svgLength)}`,
    ratio: times(svgLength / ourTable),
    note: 'times as fast; most of it is the garbage collector and the WeakMap, once a path',
  },
  {
    what: 'Point at a length',
    ours: us(ourPoint),
    other: `svg-path-properties ${us(svgPoint)}`,
    ratio: times(svgPoint / ourPoint),
    note: 'times as fast; aim ≥ 10. Exact to 1e-4 px',
  },
  {
    what: 'Point at half the length',
    ours: us(ourPoint),
    other: `bezier-js, walking 100 points ${us(bezierPoint)}`,
    ratio: times(bezierPoint / ourPoint),
    note: 'times as fast; walking is good to about a pixel',
  },
]);
if (!Number.isFinite(sink)) throw new Error('no result');
