import CanvasKitInit, { type CanvasKit } from 'canvaskit-wasm';
import { dirname, join } from 'node:path';
import { cubicFamilies, seeded } from '../testing/families';
import type { PathCommand } from './commands';
import {
  lengthAtPlace,
  measurePath,
  pointAtLength,
  subPath,
  tangentAtLength,
  wholePath,
} from './measured-path';
import { insertPoint } from './insert-point';
import { nearestPlace } from './nearest';
import { corner, smooth, type Path, type PathPoint } from './path';

let kit: CanvasKit;
beforeAll(async () => {
  const folder = dirname(require.resolve('canvaskit-wasm/bin/canvaskit.js'));
  kit = await CanvasKitInit({ locateFile: (file: string) => join(folder, file) });
});

function randomPath(random: () => number, count: number, closed: boolean): Path {
  const r = () => random() * 800;
  const h = () => random() * 300 - 150;
  const points = Array.from({ length: count }, (): PathPoint => {
    if (random() < 0.3) return corner(r(), r());
    return smooth(r(), r(), { x: h(), y: h() }, random() * 200);
  });
  return { closed, points };
}

const toSvg = (path: readonly PathCommand[]): string => path.map((c) => c.join(' ')).join(' ');

/** Reads drawing commands back into a path of corner points with handles. */
function reread(commands: readonly PathCommand[]): Path {
  const points: { x: number; y: number; in: { x: number; y: number }; out: { x: number; y: number } }[] = [];
  for (const c of commands) {
    if (c[0] === 'Z') continue;
    const [x, y] = c.slice(-2) as [number, number];
    const before = points.at(-1);
    if (c[0] === 'C' && before) before.out = { x: c[1] - before.x, y: c[2] - before.y };
    points.push({
      x,
      y,
      in: c[0] === 'C' ? { x: c[3] - x, y: c[4] - y } : { x: 0, y: 0 },
      out: { x: 0, y: 0 },
    });
  }
  return { closed: false, points: points.map((p) => ({ ...p, kind: 'corner' as const })) };
}

const cases = Array.from({ length: 40 }, (_, i) => {
  const random = seeded(100 + i);
  return randomPath(random, 2 + Math.floor(random() * 5), i % 2 === 1);
});

test('a part between two lengths is as long as asked and starts and ends where the path is at those lengths', () => {
  const random = seeded(5);
  for (const path of cases) {
    const m = measurePath(path);
    for (let k = 0; k < 5; k++) {
      const from = random() * m.length;
      const to = path.closed ? from + random() * m.length : from + random() * (m.length - from);
      const part = measurePath(reread(subPath(m, from, to)));
      expect(Math.abs(part.length - (to - from))).toBeLessThan(1e-4);
      const wrap = (s: number) => (path.closed && s > m.length ? s - m.length : s);
      for (const [a, b] of [
        [0, from],
        [part.length, wrap(to)],
        [part.length / 2, wrap((from + to) / 2)],
      ] as const) {
        const p = pointAtLength(part, a);
        const q = pointAtLength(m, b);
        expect(Math.hypot(p.x - q.x, p.y - q.y)).toBeLessThan(2e-4);
      }
    }
  }
});

test('parts agree with the path measure of canvaskit-wasm', () => {
  const random = seeded(6);
  let worst = 0;
  for (const path of cases.filter((c) => !c.closed)) {
    const m = measurePath(path);
    const skPath = kit.Path.MakeFromSVGString(toSvg(wholePath(path)))!;
    // Its measure walks chords; a fine resolution scale brings them to about a hundredth of a pixel.
    const measure = new kit.ContourMeasureIter(skPath, false, 200).next()!;
    expect(Math.abs(measure.length() - m.length)).toBeLessThan(0.05);
    const from = random() * m.length * 0.5;
    const to = from + random() * m.length * 0.5;
    const theirs = kit.Path.MakeFromCmds([...measure.getSegment(from, to, true).toCmds()])!;
    const [left, top, right, bottom] = theirs.computeTightBounds();
    const ours = kit.Path.MakeFromSVGString(toSvg(subPath(m, from, to)))!.computeTightBounds();
    [left!, top!, right!, bottom!].forEach((edge, i) => {
      worst = Math.max(worst, Math.abs(edge - ours[i]!));
    });
    for (const s of [from, (from + to) / 2, to]) {
      const [x, y, tx, ty] = measure.getPosTan(s) as unknown as [number, number, number, number];
      const p = pointAtLength(m, s);
      expect(Math.hypot(p.x - x, p.y - y)).toBeLessThan(0.1);
      const t = tangentAtLength(m, s);
      expect(t.x * tx + t.y * ty).toBeGreaterThan(0.99);
    }
  }
  expect(worst).toBeLessThan(0.1);
});

test('an empty, reversed or outside part gives nothing; a whole closed path is closed', () => {
  const ring: Path = { closed: true, points: [corner(0, 0), corner(100, 0), corner(100, 100)] };
  const line: Path = { closed: false, points: [corner(0, 0), corner(100, 0)] };
  expect(subPath(measurePath(line), 50, 50)).toEqual([]);
  expect(subPath(measurePath(line), 60, 50)).toEqual([]);
  expect(subPath(measurePath(line), 120, 150)).toEqual([]);
  expect(subPath(measurePath(line), -20, 50)).toEqual([
    ['M', 0, 0],
    ['L', 50, 0],
  ]);
  expect(wholePath(ring).at(-1)).toEqual(['Z']);
  // Through the first point of a closed path the part runs on without a second move.
  const length = measurePath(ring).length;
  const through = subPath(measurePath(ring), length - 10, length + 10);
  expect(through.filter((c) => c[0] === 'M')).toHaveLength(1);
  expect(subPath(measurePath({ closed: false, points: [corner(3, 4)] }), 0, 1)).toEqual([]);
});

test('the nearest place on a path is as near as the nearest of many samples', () => {
  const random = seeded(9);
  for (const [, c] of cubicFamilies(random, 8)) {
    const points: PathPoint[] = [
      { x: c[0], y: c[1], in: { x: 0, y: 0 }, out: { x: c[2] - c[0], y: c[3] - c[1] }, kind: 'corner' },
      { x: c[6], y: c[7], in: { x: c[4] - c[6], y: c[5] - c[7] }, out: { x: 0, y: 0 }, kind: 'corner' },
    ];
    const path: Path = { closed: false, points };
    const to = { x: random() * 1000, y: random() * 1000 };
    const found = nearestPlace(path, to)!;
    const m = measurePath(path);
    const sampled = Math.min(
      ...Array.from({ length: 400 }, (_, i) => {
        const p = pointAtLength(m, (m.length * i) / 399);
        return Math.hypot(p.x - to.x, p.y - to.y);
      }),
    );
    expect(found.distance).toBeLessThan(sampled + 0.01);
    // Where it says it is, told by length, on lines as on curves.
    const there = pointAtLength(m, lengthAtPlace(m, found));
    expect(Math.hypot(there.x - found.point.x, there.y - found.point.y)).toBeLessThan(0.01);
  }
});

test('a place on a line without handles is told by its length, as all places of lines are; a point put there stays on it', () => {
  const random = seeded(77);
  const off: number[] = [];
  for (let i = 0; i < 200; i++) {
    const points = Array.from({ length: 4 }, () => corner(random() * 1000, random() * 1000));
    const path: Path = { closed: i % 2 === 0, points };
    const found = nearestPlace(path, { x: random() * 1000, y: random() * 1000 })!;
    const m = measurePath(path);
    const there = pointAtLength(m, lengthAtPlace(m, found));
    const put = insertPoint(path, found).points[found.segment + 1]!;
    off.push(Math.hypot(there.x - found.point.x, there.y - found.point.y));
    off.push(Math.hypot(put.x - found.point.x, put.y - found.point.y));
  }
  expect(Math.max(...off)).toBeLessThan(1e-6);
});
