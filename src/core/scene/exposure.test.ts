import { createCanvas } from '@napi-rs/canvas';
import {
  addLayers,
  changed,
  groupLayers,
  newPiece,
  newStroke,
  SHUTTER,
  updateParts,
  withPlacement,
  type Part,
  type Piece,
} from '../document';
import { lineShape } from '../geometry';
import { paint, type MakeCanvas } from '../paint';
import { LINEAR } from '../timing';
import { evaluate, MOST_SAMPLES } from '.';

const [W, H] = [320, 40];
const make = ((w: number, h: number) => createCanvas(w, h)) as unknown as MakeCanvas;

/** An upright bar of a width that moves to the right by so many pixels a frame. */
function bar(width: number, speed: number): Piece {
  const made = newStroke('bar', 'Bar', lineShape({ x: 60, y: -20 }, { x: 60, y: 60 }), {
    width,
    colour: '#ffffff',
    opacity: 1,
    cap: 'flat',
    join: 'miter',
  });
  const piece = addLayers(newPiece('Bar', { width: W, height: H }), [made]);
  const way = { keys: [0, 10].map((frame) => ({ frame, value: frame * speed, easing: LINEAR })) };
  return withPlacement(piece, 'bar', 0, (place) => ({ ...place, x: way }));
}
const blurred = (piece: Piece, angle = Math.PI): Piece => ({
  ...piece,
  shutter: { ...SHUTTER, angle, phase: -angle / 2 },
});

/** Alpha along a row of the picture, 0..1. */
function row(piece: Piece, frame: number): number[] {
  const canvas = createCanvas(W, H);
  const context = canvas.getContext('2d');
  paint(evaluate(piece, frame), context, make);
  const { data } = context.getImageData(0, 20, W, 1);
  return Array.from({ length: W }, (_, x) => data[x * 4 + 3]! / 255);
}

/** How much of a pixel a bar covers in the mean over the time a shutter is open: its trapezoid (geometry), pixel by pixel. */
function trapezoid(x: number, from: number, to: number, travel: number): number {
  let sum = 0;
  const steps = 4000;
  for (let i = 0; i < steps; i++) {
    const off = travel * ((i + 0.5) / steps - 0.5);
    sum += Math.max(0, Math.min(x + 1, to + off) - Math.max(x, from + off));
  }
  return sum / steps;
}

test.each([
  [20, 4],
  [20, 8],
  [30, 17.3],
  [12, 24],
  [40, 60],
  [8, 90],
])(
  'a bar %i px wide that moves %d px a frame has the trapezoid of its shutter within 1/255',
  (width, speed) => {
    for (const angle of [Math.PI / 2, Math.PI]) {
      const travel = (speed * angle) / (Math.PI * 2);
      const middle = 60 + speed * 2;
      const seen = row(blurred(bar(width, speed), angle), 2);
      let worst = 0;
      for (let x = 0; x < W; x++)
        worst = Math.max(
          worst,
          Math.abs(seen[x]! - trapezoid(x, middle - width / 2, middle + width / 2, travel)),
        );
      // What lies over one step of 255 comes of the sum that the trapezoid is reckoned by here.
      expect(worst * 255).toBeLessThan(1.001);
    }
  },
);

test('only what moves is taken apart into moments: what stands still is painted once, in and out of groups', () => {
  const still = newStroke('still', 'Still', lineShape({ x: 10, y: 30 }, { x: 300, y: 30 }));
  const both = addLayers(bar(20, 8), [still]);
  const groups = (piece: Piece) =>
    evaluate(blurred(piece), 5).items.map((item) => item.kind === 'group' && item.moments === true);
  expect(groups(both)).toEqual([true, false]);
  expect(groups(groupLayers(both, ['bar', 'still'], { id: 'g', name: 'G' }))).toEqual([true, false]);
  const sharp = updateParts(both, ['bar'], <P extends Part>(part: P) =>
    changed<P>(part, { unblurred: true } as Partial<P>),
  );
  expect(evaluate(blurred(sharp), 5).items).toEqual(evaluate(both, 5).items);
});

test('as many samples as the way asks for, within a bound; fewer where it must be quick; held drawings have none', () => {
  const samples = (piece: Piece, most?: number) => {
    const [item] = evaluate(blurred(piece), 5, most).items;
    return item!.kind === 'group' ? item!.items.length : 0;
  };
  // A way of 4 px: the root of 32 · 4 is 11.3; of 30 px: of 960 it is 31; of 500 px it is bound.
  expect([samples(bar(20, 8)), samples(bar(20, 60)), samples(bar(20, 1000))]).toEqual([12, 31, MOST_SAMPLES]);
  expect(samples(bar(20, 60), 5)).toBe(5);
  const held = { ...blurred(bar(20, 8)), drawings: 12.5 };
  expect(evaluate(held, 5).items).toEqual(evaluate(bar(20, 8), 4).items);
});

test('a head that grows is blurred along its way', () => {
  const line = newStroke('line', 'Line', lineShape({ x: 20, y: 20 }, { x: 300, y: 20 }), {
    width: 20,
    colour: '#ffffff',
    opacity: 1,
    cap: 'flat',
    join: 'miter',
  });
  const head = { keys: [0, 10].map((frame) => ({ frame, value: frame / 10, easing: LINEAR })) };
  const piece = addLayers(newPiece('Line', { width: W, height: H }), [
    { ...line, window: { ...line.window, head } },
  ]);
  const seen = row(blurred(piece), 5);
  // At 28 px a frame and half a turn it is open for 14 px: from 153 to 167 ink falls evenly from all to nothing.
  expect(seen[150]).toBe(1);
  expect(seen[160]).toBeCloseTo(0.5, 1);
  expect(seen[170]).toBe(0);
  for (let x = 154; x < 166; x++) expect(seen[x]! - seen[x + 1]!).toBeCloseTo(1 / 14, 1);
});
