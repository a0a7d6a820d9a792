import { createCanvas } from '@napi-rs/canvas';
import fc from 'fast-check';
import type { DrawItem, DrawList } from '../draw';
import { historyFault, randomHistory } from '../testing/histories';
import { paint, picturePainter, type MakeCanvas, type PaintContext } from '.';
import { cases, times } from '../testing/cases';
import { freeCanvases } from '../testing/free-canvases';

const SIZE = { width: 160, height: 90 };
const make = ((w: number, h: number) => createCanvas(w, h)) as unknown as MakeCanvas;

/** Twenty items of every sort that lists hold, each see-through and soft somewhere. */
const ITEMS: readonly DrawItem[] = Array.from({ length: 20 }, (_, i): DrawItem => {
  const [x, y] = [(i * 37) % 130, (i * 23) % 70];
  const colour = `#${((i * 4_567_891) % 0xffffff).toString(16).padStart(6, '0')}`;
  const stroke: DrawItem = {
    kind: 'stroke',
    path: [
      ['M', x, y],
      ['C', x + 20.3, y - 30, x + 40, y + 40.6, x + 61.7, y + 9],
    ],
    colour,
    width: 3 + (i % 7),
    cap: 'round',
    join: 'round',
    opacity: 0.4 + (i % 5) * 0.15,
  };
  if (i % 3 === 0) return stroke;
  if (i % 3 === 1)
    return { kind: 'group', items: [stroke, { ...stroke, width: 1, colour: '#ffffff' }], opacity: 0.7 };
  return { ...stroke, ...(i % 6 === 5 && { blend: 'multiply' }) };
});

test('whatever stood, moved, came or went before: the pixels are those of a first painting', async () => {
  const change = fc.record({
    at: fc.nat(19),
    what: fc.constantFrom('stay', 'stay', 'move', 'take out', 'put in'),
    scale: fc.constantFrom(1, 1, 1, 0.75),
  });
  const read = (context: PaintContext) =>
    Buffer.from(context.getImageData(0, 0, SIZE.width, SIZE.height).data);
  const fresh = (): PaintContext => make(SIZE.width, SIZE.height).getContext('2d') as PaintContext;
  await fc.assert(
    fc.asyncProperty(fc.array(change, { minLength: 2, maxLength: 14 }), async (changes) => {
      const context = fresh();
      const painter = picturePainter(context, make);
      let items = ITEMS;
      for (const { at, what, scale } of changes) {
        if (what === 'move') items = items.map((item, i) => (i === at ? { ...item, opacity: 0.5 } : item));
        if (what === 'take out') items = items.filter((_, i) => i !== at);
        if (what === 'put in') items = [...items.slice(0, at), ITEMS[at]!, ...items.slice(at)];
        const list: DrawList = { ...SIZE, items };
        painter.paint(list, { x: 0, y: 0, scale });
        const anew = fresh();
        if (scale < 1) {
          anew.beginPath();
          anew.rect(0, 0, Math.round(SIZE.width * scale), Math.round(SIZE.height * scale));
          anew.clip();
        }
        paint(list, anew, make, scale);
        expect(read(context).equals(read(anew))).toBe(true);
      }
      await freeCanvases();
    }),
    { numRuns: times(40, 1000) },
  );
});

// Others are looked at in Chromium: e2e/same-pixels.spec.ts.
test('how a picture was come to never shows: random pieces played, jumped about in, edited, undone and zoomed', async () => {
  for (const seed of cases(6, 200)) {
    expect([seed, historyFault(randomHistory(seed), make)]).toEqual([seed, null]);
    await freeCanvases();
  }
});

/** A canvas that counts what is stroked on it and on all that are made like it. */
function counting() {
  const counted = { strokes: 0 };
  const counts = ((w: number, h: number) => {
    const canvas = createCanvas(w, h);
    const context = canvas.getContext('2d');
    const stroke = context.stroke.bind<() => void>(context);
    context.stroke = () => {
      counted.strokes++;
      stroke();
    };
    return canvas;
  }) as unknown as MakeCanvas;
  const painter = picturePainter(counts(SIZE.width, SIZE.height).getContext('2d') as PaintContext, counts);
  return (items: readonly DrawItem[]): number => {
    counted.strokes = 0;
    painter.paint({ ...SIZE, items }, { x: 0, y: 0, scale: 1 });
    return counted.strokes;
  };
}

const strokeAt = (x: number, y: number, opacity = 1): DrawItem => ({
  ...(ITEMS[0] as DrawItem & { kind: 'stroke' }),
  path: [
    ['M', x, y],
    ['L', x + 8, y + 4],
  ],
  width: 2,
  opacity,
});

test('only what changes is painted, with what lies over and under it there', () => {
  const strokes = counting();
  const grid = Array.from({ length: 60 }, (_, i) => strokeAt((i % 10) * 15 + 4, Math.floor(i / 10) * 14 + 4));
  const over = strokeAt(5, 6);
  expect(strokes([...grid, over])).toBe(61);
  expect(strokes([...grid, over])).toBe(0);
  expect(strokes(grid.with(33, strokeAt(49, 46, 0.5)).concat(over))).toBe(1);
  // The first one has another over it.
  expect(strokes([strokeAt(4, 4, 0.5), ...grid.slice(1), over])).toBe(3);
});

test('what stands still under all that changes is kept painted', () => {
  const strokes = counting();
  const pile = Array.from({ length: 20 }, (_, i) => strokeAt(40 + i / 10, 40));
  const top = (opacity: number) => strokeAt(41, 41, opacity);
  expect(strokes([...pile, top(0.1)])).toBe(21);
  // Seen to stand, they are painted for keeping.
  expect(strokes([...pile, top(0.2)])).toBe(21);
  expect([0.3, 0.4, 0.5].map((opacity) => strokes([...pile, top(opacity)]))).toEqual([1, 1, 1]);
});

test('one stroke that grows over many that stand is painted in its own box; where most of the picture moves it is all painted', () => {
  const context = make(SIZE.width, SIZE.height).getContext('2d') as PaintContext;
  const painter = picturePainter(context, make);
  const shown = (items: readonly DrawItem[]): number =>
    painter
      .paint({ ...SIZE, items }, { x: 0, y: 0, scale: 1 })
      .reduce((sum, { left, top, right, bottom }) => sum + (right - left) * (bottom - top), 0) /
    (SIZE.width * SIZE.height);
  const grid = Array.from({ length: 60 }, (_, i) => strokeAt((i % 10) * 15 + 4, Math.floor(i / 10) * 14 + 4));
  const wide = (at: number): DrawItem => ({
    ...(ITEMS[0] as DrawItem & { kind: 'stroke' }),
    path: [
      ['M', 2, at],
      ['L', 158, 88 - at],
    ],
  });
  expect(shown(grid)).toBe(1);
  for (const opacity of [0.2, 0.4, 0.6])
    expect(shown([...grid, strokeAt(70, 50, opacity)])).toBeLessThan(0.05);
  for (const at of [4, 6, 8]) expect(shown([wide(at), wide(at + 3)])).toBe(1);
});
