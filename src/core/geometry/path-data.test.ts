import { svgPathProperties } from 'svg-path-properties';
import { seeded } from '../testing/families';
import { randomPathData } from '../testing/path-data';
import { measurePath, pathData, pointAtLength, pathsOf, readPathData, transformPath } from '.';

const lengthOf = (text: string): number =>
  pathsOf(readPathData(text).commands).reduce((sum, path) => sum + measurePath(path).length, 0);

test('SVG 2, 9.3 and 9.5: implicit commands, arcs out of range, and everything before a fault', () => {
  expect(readPathData('M10 20 30 40').commands).toEqual([
    ['M', 10, 20],
    ['L', 30, 40],
  ]);
  // Flags need no separators.
  expect(lengthOf('M0 0a25 25 0 1150 0')).toBeCloseTo(Math.PI * 25, 1);
  expect(readPathData('m1 1 2 0z l1 1').commands).toEqual([
    ['M', 1, 1],
    ['L', 3, 1],
    ['Z'],
    ['M', 1, 1],
    ['L', 2, 2],
  ]);
  expect(readPathData('M0-1.5.5').commands).toEqual([['M', 0, -1.5]]);
  expect(readPathData('M0-1.5.5').faultAt).toBe(6);
  // Radii too small are scaled up to a half circle; a zero radius is a straight line (B.2.5).
  expect(lengthOf('M0 0A1 1 0 0 1 100 0')).toBeCloseTo(Math.PI * 50, 1);
  expect(readPathData('M0 0A0 5 0 0 1 100 0').commands).toEqual([
    ['M', 0, 0],
    ['L', 100, 0],
  ]);
  for (const [text, good] of [
    ['M0 0L10 10L20', 2],
    ['M0 0 L1 1 X 2 2', 2],
    ['M0 0A5 5 0 2 1 10 10', 1],
    ['L5 5', 0],
    ['M0 0L1e999 2', 1],
  ] as const) {
    const read = readPathData(text);
    expect([text, read.commands.length]).toEqual([text, good]);
    expect(read.faultAt).not.toBeNull();
  }
});

test('what is written as path data is read back the same, and paths survive both', () => {
  const random = seeded(5);
  for (let i = 0; i < 40; i++) {
    const { commands } = readPathData(randomPathData(random));
    const again = readPathData(pathData(commands, 6)).commands;
    again.forEach((c, k) => {
      c.slice(1).forEach((n, j) => expect(n as number).toBeCloseTo(commands[k]![j + 1] as number, 5));
    });
  }
  const [path] = pathsOf(readPathData('M0 0C10 0 20 10 20 20L0 20Z').commands);
  expect(path).toMatchObject({ closed: true });
  expect(measurePath(transformPath(path!, [0, 2, -2, 0, 5, 5])).length).toBeCloseTo(
    2 * measurePath(path!).length,
    6,
  );
});

test('every command, absolute and relative, goes where a reader of others says: smooth ones mirror the handle before them', () => {
  const read = (text: string) => pathsOf(readPathData(text).commands);
  for (const text of [
    'M10 20C30 -40 60 90 100 50S180 -30 220 60s40 70 90 -20',
    'M10 20Q60 120 110 40T190 70t60 -30t50 10',
    'M5 5h40v30H10V60l30 5L80 20q20 40 50 10c10 -30 40 -10 60 20s40 60 -30 70z',
    // Without a curve before it a smooth one begins with no handle.
    'M10 10L60 40S120 90 150 20M0 0L30 60T90 40',
    'M10 10Q40 80 90 30S150 90 190 40M0 0C20 60 60 60 80 0T160 30',
  ]) {
    const theirs = new svgPathProperties(text);
    const paths = read(text);
    const measured = paths.map((path) => measurePath(path));
    const whole = measured.reduce((sum, { length }) => sum + length, 0);
    expect([text, whole]).toEqual([text, expect.closeTo(theirs.getTotalLength(), 1)]);
    for (let share = 0.03; share < 1; share += 0.031) {
      let s = share * whole;
      const m = measured.find(({ length }) => s <= length || ((s -= length), false))!;
      const [own, other] = [pointAtLength(m, s), theirs.getPointAtLength(share * whole)];
      expect([text, share, own.x, own.y]).toEqual([
        text,
        share,
        expect.closeTo(other.x, 0),
        expect.closeTo(other.y, 0),
      ]);
    }
  }
});
