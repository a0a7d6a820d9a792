import { createCanvas, type Canvas } from '@napi-rs/canvas';
import { keptDrawing } from './kept-drawing';
import type { Context } from './overlay-drawing';

jest.mock('@/workers/new-canvas', () => ({ newCanvas: (w: number, h: number) => createCanvas(w, h) }));

const SIZE = 20;
const dotted = (canvas: Canvas) => [...canvas.getContext('2d').getImageData(0, 0, SIZE, SIZE).data];

test('what is drawn over the picture is drawn once until what it is made from changes, and lies where it was drawn', () => {
  const kept = keptDrawing();
  let drawn = 0;
  const show = (from: readonly unknown[], x: number, ratio = 1) => {
    const canvas = createCanvas(SIZE, SIZE);
    const context = canvas.getContext('2d') as unknown as Context;
    context.setTransform(ratio, 0, 0, ratio, 0, 0);
    kept(context, from, (onto) => {
      drawn++;
      onto.fillRect(x, 2, 3, 3);
    });
    return dotted(canvas);
  };
  const plain = (x: number, ratio = 1) => {
    const canvas = createCanvas(SIZE, SIZE);
    canvas.getContext('2d').fillRect(x * ratio, 2 * ratio, 3 * ratio, 3 * ratio);
    return dotted(canvas);
  };
  const path = {};
  expect(show([path, 1], 4)).toEqual(plain(4));
  expect(show([path, 1], 9)).toEqual(plain(4));
  expect(drawn).toBe(1);
  expect(show([path, 2], 9)).toEqual(plain(9));
  expect(show([{}, 2], 5)).toEqual(plain(5));
  // Another size of the page's pixels is another drawing.
  expect(show([path, 2], 4, 2)).toEqual(plain(4, 2));
  expect(drawn).toBe(4);
});

test('a canvas that has no place in the page yet is left alone', () => {
  const context = { canvas: { width: 0, height: 0 } } as unknown as Context;
  keptDrawing()(context, [], () => {
    throw new Error('drawn');
  });
});
