import type { DrawItem, DrawList, GroupItem } from '../draw';
import { createCanvas } from '@napi-rs/canvas';
import fc from 'fast-check';
import { paint } from '.';
import { times } from '../testing/cases';
import { freeCanvases } from '../testing/free-canvases';

const box = (x: number, y: number, w: number, h: number, colour: string): DrawItem => ({
  kind: 'fill',
  path: [['M', x, y], ['L', x + w, y], ['L', x + w, y + h], ['L', x, y + h], ['Z']],
  colour,
  opacity: 1,
});
const group = (items: readonly DrawItem[], part: Partial<GroupItem> = {}): GroupItem => ({
  kind: 'group',
  items,
  opacity: 0.7,
  ...part,
});
const SIZE = { width: 160, height: 90 };
const picture = (list: DrawList, make: typeof createCanvas, scale = 1): string => {
  const canvas = createCanvas(SIZE.width, SIZE.height);
  const context = canvas.getContext('2d');
  paint(list, context, make, scale);
  return Buffer.from(context.getImageData(0, 0, SIZE.width, SIZE.height).data).toString('base64');
};

/** Canvases of their own, so that nothing another test kept is found; counts those that are made. */
const counting = () => {
  const made = { canvases: 0 };
  const make = ((w: number, h: number) => {
    made.canvases++;
    return createCanvas(w, h);
  }) as typeof createCanvas;
  return { make, made };
};

test('a group that is painted again and again is kept; nobody can tell by the pixels', () => {
  const { make, made } = counting();
  const still = group([box(20, 20, 60, 40, '#c03000'), box(50, 30, 60, 40, '#0060c0')]);
  const frames = Array.from({ length: 6 }, (_, i) => ({
    ...SIZE,
    items: [still, box(i * 20, 5, 10, 10, '#ffffff')],
  }));
  const fresh = frames.map((list) => picture(list, counting().make));
  expect(frames.map((list) => picture(list, make))).toEqual(fresh);
  // Once by the way, once to be kept; after that it is only laid down.
  const before = made.canvases;
  expect(picture(frames[0]!, make)).toBe(fresh[0]);
  expect(made.canvases).toBe(before);
});

test('whatever was painted before, on whatever canvas, a frame looks as if it were the first', async () => {
  const shades = ['#c03000', '#0060c0', '#20a040', '#ffffff'];
  const groups = Array.from({ length: 4 }, (_, i) =>
    group([box(10 + i * 25, 10, 50, 50, shades[i]!), box(30 + i * 20, 30, 40, 40, shades[(i + 1) % 4]!)], {
      opacity: 0.4 + i * 0.15,
      ...(i === 1 && { filters: [{ kind: 'blur', deviation: 3 }] }),
      ...(i === 2 && { filters: [{ kind: 'tint', colour: '#806020' }] }),
      ...(i === 3 && { filters: [{ kind: 'shift', by: { x: 4, y: -3 } }] }),
    }),
  );
  const step = fc.tuple(fc.subarray([0, 1, 2, 3]), fc.constantFrom(1, 0.5, 2));
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 1, maxLength: 12 }), async (steps) => {
      const { make } = counting();
      for (const [shown, scale] of steps) {
        const list = { ...SIZE, items: shown.map((i) => groups[i]!) };
        expect(picture(list, make, scale)).toBe(picture(list, counting().make, scale));
      }
      await freeCanvases();
    }),
    { numRuns: times(10, 1000) },
  );
});
