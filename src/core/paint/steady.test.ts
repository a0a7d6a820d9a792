import { createCanvas } from '@napi-rs/canvas';
import { createHash } from 'node:crypto';
import fc from 'fast-check';
import type { DrawItem, DrawList } from '../draw';
import { paint, steadyPainter, type MakeCanvas, type PaintContext } from '.';

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

const pixels = (show: (context: PaintContext) => void): string => {
  const canvas = createCanvas(SIZE.width, SIZE.height);
  show(canvas.getContext('2d') as unknown as PaintContext);
  const { data } = canvas.getContext('2d').getImageData(0, 0, SIZE.width, SIZE.height);
  return createHash('sha256').update(data).digest('hex');
};

test('whatever stood, moved, came or went before: the pixels are those of a first painting', () => {
  const change = fc.record({
    at: fc.nat(19),
    what: fc.constantFrom('stay', 'stay', 'move', 'take out', 'put in'),
    scale: fc.constantFrom(1, 1, 1, 0.75),
  });
  fc.assert(
    fc.property(fc.array(change, { minLength: 2, maxLength: 14 }), (changes) => {
      const steady = steadyPainter(make);
      let items = ITEMS;
      for (const { at, what, scale } of changes) {
        if (what === 'move') items = items.map((item, i) => (i === at ? { ...item, opacity: 0.5 } : item));
        if (what === 'take out') items = items.filter((_, i) => i !== at);
        if (what === 'put in') items = [...items.slice(0, at), ITEMS[at]!, ...items.slice(at)];
        const list: DrawList = { ...SIZE, items };
        const own = pixels((context) => steady(list, context, scale));
        expect(own).toBe(pixels((context) => paint(list, context, make, scale)));
      }
    }),
    { numRuns: 40 },
  );
});

test('what stands still is not painted again', () => {
  const counted = { strokes: 0 };
  const counting = ((w: number, h: number) => {
    const canvas = createCanvas(w, h);
    const context = canvas.getContext('2d');
    const stroke = context.stroke.bind(context) as () => void;
    context.stroke = () => {
      counted.strokes++;
      stroke();
    };
    return canvas;
  }) as unknown as MakeCanvas;
  const steady = steadyPainter(counting);
  const canvas = counting(SIZE.width, SIZE.height);
  const still = ITEMS.filter((item) => !item.blend && item.kind === 'stroke');
  const strokesOf = (moving: number): number => {
    counted.strokes = 0;
    const top: DrawItem = { ...still[0]!, opacity: moving / 10 };
    steady({ ...SIZE, items: [...still, top] }, canvas.getContext('2d') as PaintContext);
    return counted.strokes;
  };
  expect(strokesOf(1)).toBe(still.length + 1);
  // Seen to stand, it is painted for keeping.
  expect(strokesOf(2)).toBe(still.length + 1);
  expect([strokesOf(3), strokesOf(4), strokesOf(5)]).toEqual([1, 1, 1]);
});
