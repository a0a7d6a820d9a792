import { createCanvas } from '@napi-rs/canvas';
import { centreLines } from '..';
import { pathBounds } from '../../geometry';
import { tracePath } from '../../paint';
import { drawLetter, maskOf } from '../../testing/drawn-letters';
import { lineLetters } from '../../testing/hershey';
import { paintedOutline } from '../../testing/judge-ink';

/** How much of a heavy letter its traced strokes cover, and how much paper they paint over, as shares of its ink. */
function coverOf(face: string, letter: string, share: number): { covered: number; over: number } {
  const { mask } = drawLetter(lineLetters(face, letter)[0]!, share);
  const canvas = createCanvas(mask.width, mask.height);
  const context = canvas.getContext('2d');
  for (const stroke of centreLines(mask)!) {
    context.beginPath();
    tracePath(context, paintedOutline(stroke));
    context.fill();
  }
  const painted = maskOf(canvas).data;
  let [ink, both, over] = [0, 0, 0];
  mask.data.forEach((value, i) => {
    ink += value;
    both += Math.min(value, painted[i]!);
    over += Math.max(0, painted[i]! - value);
  });
  return { covered: both / ink, over: over / ink };
}

test('where the arms of a heavy letter melt into one another its lines still cover them', () => {
  const found = ['HersheySans1', 'EMSReadability', 'EMSTech'].flatMap((face) =>
    [...'abemnruyKMRW'].flatMap((letter) =>
      [0.16, 0.2, 0.24].map((share) => ({
        letter: `${face} ${letter} ${share}`,
        ...coverOf(face, letter, share),
      })),
    ),
  );
  const mean = (of: 'covered' | 'over') => found.reduce((sum, one) => sum + one[of], 0) / found.length;
  expect(mean('covered')).toBeGreaterThan(0.987);
  // Not by pens that are simply wider than their lines.
  expect(mean('over')).toBeLessThan(0.016);
  const bare = found.filter(({ covered }) => covered < 0.97).map(({ letter }) => letter);
  expect([bare, bare.length <= 8]).toEqual([bare, true]);
});

test('a dot is left to itself, and draws no line that runs beside it', () => {
  const paint = (withBar: boolean, withDots: boolean) => {
    const canvas = createCanvas(120, 90);
    const context = canvas.getContext('2d');
    if (withBar) context.fillRect(10, 50, 100, 14);
    for (const x of withDots ? [40, 80] : []) {
      // Standing on its corner: no pen that is round reaches all of it.
      context.setTransform(Math.SQRT1_2, Math.SQRT1_2, -Math.SQRT1_2, Math.SQRT1_2, x, 32);
      context.fillRect(-11, -11, 22, 22);
      context.resetTransform();
    }
    return centreLines(maskOf(canvas))!;
  };
  expect(paint(false, true).map(({ kind }) => kind)).toEqual(['dot', 'dot']);
  const boxOf = (withDots: boolean) => {
    const [line, ...more] = paint(true, withDots).filter(({ kind }) => kind === 'line');
    expect([more, line!.widths]).toEqual([[], null]);
    return pathBounds(line!.path)!;
  };
  const [beside, alone] = [boxOf(true), boxOf(false)];
  for (const side of ['left', 'top', 'right', 'bottom'] as const)
    expect(Math.abs(beside[side] - alone[side])).toBeLessThan(0.1);
});
