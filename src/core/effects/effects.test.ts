import { createCanvas } from '@napi-rs/canvas';
import fc from 'fast-check';
import {
  addEffect,
  addLayers,
  applyManner,
  changeEffects,
  copiesApart,
  groupLayers,
  keyedParts,
  newArt,
  newPiece,
  newStroke,
  propertyOf,
  readPiece,
  revealThrough,
  scaledLayer,
  setInk,
  setPlace,
  setReveal,
  updateLayers,
  updateStrokes,
  type Layer,
  type Lettering,
  type Piece,
  type Stroke,
} from '../document';
import { applyMatrix, corner, IDENTITY, lineShape, smooth, type Point } from '../geometry';
import { paint, type MakeCanvas } from '../paint';
import { evaluate } from '../scene';
import { seeded } from '../testing/families';
import { LINEAR, mapValues, valueAt } from '../timing';
import { placesOf, type Copies } from './copies';
import { unsteady } from './noise';
import { EFFECT_KINDS, heldFrame, newEffect, type Effect, type EffectSetting } from '.';
import { times } from '../testing/cases';

const [W, H] = [240, 140];
const make = ((w: number, h: number) => createCanvas(w, h)) as unknown as MakeCanvas;

const kind = (name: string) => EFFECT_KINDS.find((one) => one.name === name)!;
/** An effect with some of its values given. */
const effect = (name: string, values: object = {}, size = 0.2): Effect => {
  const { is } = newEffect(kind(name), size);
  return { on: true, is: { ...is, ...values } };
};
const repeat = (values: object) => ({
  delay: 0,
  recoloured: false,
  colour: '#00ff00',
  opacity: 1,
  width: 1,
  x: 0,
  y: 0,
  lies: 'under',
  reach: 1,
  sooner: 0,
  ...values,
});

const curve = (id: string): Stroke =>
  newStroke(id, id, {
    closed: false,
    points: [
      smooth(30, 90, { x: 30, y: -60 }),
      smooth(120, 70, { x: 30, y: 20 }),
      smooth(210, 60, { x: 20, y: -30 }),
    ],
  });
const written = (piece: Piece, ids: readonly string[], onAt = 5): Piece =>
  applyManner(piece, ids, {
    kind: 'both',
    from: 'start',
    onAt,
    onFrames: 20,
    offAt: 45 + onAt,
    offFrames: 20,
  });
const one = (): Piece =>
  written(setInk(addLayers(newPiece('One', { width: W, height: H }), [curve('s')]), ['s'], { width: 10 }), [
    's',
  ]);
const withEffects = (piece: Piece, ...effects: Effect[]): Piece => changeEffects(piece, ['s'], () => effects);

function pixels(piece: Piece, frame: number): Uint8ClampedArray {
  const canvas = createCanvas(W, H);
  const context = canvas.getContext('2d');
  paint(evaluate(piece, frame), context, make);
  return context.getImageData(0, 0, W, H).data;
}
const area = (data: Uint8ClampedArray): number => {
  let sum = 0;
  for (let i = 3; i < data.length; i += 4) sum += data[i]!;
  return sum / 255;
};
/** The greatest difference of a channel, weighed by alpha as it is seen. */
const worst = (a: Uint8ClampedArray, b: Uint8ClampedArray): number => {
  let most = 0;
  for (let i = 0; i < a.length; i += 4)
    for (let k = 0; k < 4; k++) {
      const [p, q] =
        k === 3 ? [a[i + 3]!, b[i + 3]!] : [(a[i + k]! * a[i + 3]!) / 255, (b[i + k]! * b[i + 3]!) / 255];
      most = Math.max(most, Math.abs(p - q));
    }
  return most;
};
const changedArea = (a: Uint8ClampedArray, b: Uint8ClampedArray): number => {
  let sum = 0;
  for (let i = 3; i < a.length; i += 4) sum += Math.abs(a[i]! - b[i]!);
  return sum / 255;
};

const outline = 'M0 0L500 0L500 700L0 700Z';
const lettering = (text: string): Lettering => ({
  type: 'lettering',
  id: 'text',
  name: 'Text',
  hidden: false,
  locked: false,
  opacity: 1,
  colour: '#ede6d8',
  x: 60,
  y: 100,
  setting: {
    text,
    face: { id: 'sacramento', weight: 400 },
    size: 60,
    tracking: 0,
    leading: 1.2,
    align: 'left',
  },
  set: {
    outlines: text === '' ? {} : { 1: outline },
    glyphs: text === '' ? [] : [{ outline: '1', x: 0, y: 0, cluster: 0 }],
    scale: 0.1,
    missing: [],
    capitals: 40,
  },
});
const art = newArt(
  'art',
  'Art',
  {
    shapes: [
      {
        data: 'M60 40L160 40L160 100L60 100Z',
        fill: '#c03000',
        fillOpacity: 1,
        rule: 'nonzero',
        line: null,
        transform: IDENTITY,
      },
    ],
    groups: [],
  },
  IDENTITY,
);
const dot = newStroke('dot', 'Dot', { closed: false, points: [corner(50, 50), corner(50, 50)] });
const SUBJECTS: readonly Layer[] = [curve('s'), art, lettering('I'), lettering(''), dot];

describe.each(EFFECT_KINDS.map((one) => [one.name, one] as const))('%s', (name, { schema, presets = [] }) => {
  test('is made, read, keyed and named by what its schema says; presets are valid', () => {
    const made = effect(name);
    expect(schema.safeParse(made.is).success).toBe(true);
    for (const preset of presets) {
      const values = preset.values({ palette: ['#112233', '#445566'], size: 1 }) as object;
      expect(schema.safeParse({ ...made.is, ...values })).toMatchObject({ success: true });
    }
    const piece = withEffects(one(), made);
    expect(readPiece(JSON.parse(JSON.stringify(piece)))).toMatchObject({ ok: true });
    const [layer] = piece.layers;
    for (const part of Object.keys(made.is)) {
      const property = propertyOf(layer!, `effects.0.is.${part}`);
      if (property) expect(property.fullName.startsWith(`${name}, `)).toBe(true);
    }
  });

  test('on an empty text, a stroke without length, what is hidden, and alone on each kind of layer it does no harm', () => {
    for (const layer of SUBJECTS) {
      const bare = addLayers(newPiece('Bare', { width: W, height: H }), [layer]);
      const piece = addEffect(bare, [layer.id], effect(name));
      const hidden = updateLayers(piece, [layer.id], (l) => ({ ...l, hidden: true }));
      expect(evaluate(hidden, 3).items).toEqual([]);
      if (evaluate(bare, 3).items.length === 0) expect(evaluate(piece, 3).items).toEqual([]);
      else expect(evaluate(piece, 3).items.length).toBeGreaterThan(0);
    }
  });

  test('gives the same list from the same document, whatever was asked for before', () => {
    const piece = withEffects(one(), effect(name));
    const copy = JSON.parse(JSON.stringify(piece)) as Piece;
    for (const frame of [40, 10, 10.5, 52]) evaluate(piece, frame);
    for (const frame of [10.5, 52, 12])
      expect(JSON.stringify(evaluate(copy, frame))).toBe(JSON.stringify(evaluate(piece, frame)));
  });

  test('switched off it is as if it were not there', () => {
    const off = withEffects(one(), { ...effect(name), on: false });
    expect(JSON.stringify(evaluate(off, 12))).toBe(JSON.stringify(evaluate(one(), 12)));
  });
});

describe('wake', () => {
  test('each repeat is the stroke as it was so many frames ago, under it, as wide, far and coloured as told', () => {
    const later = written(
      addLayers(newPiece('Two', { width: W, height: H }), [
        { ...curve('r'), ink: { ...curve('r').ink, width: 20, colour: '#00ff00' } },
      ]),
      ['r'],
      9,
    );
    const piece = withEffects(
      one(),
      effect('Wake', { repeats: [repeat({ delay: 4, width: 2, recoloured: true })] }),
    );
    const two = { ...later, layers: [...later.layers, ...one().layers] };
    for (const frame of [3, 8, 17.25, 30, 52, 66])
      expect(worst(pixels(piece, frame), pixels(two, frame))).toBe(0);
  });

  test('one that reaches less far stops there; one that leaves sooner is gone with the rest', () => {
    const short = withEffects(
      one(),
      effect('Wake', { repeats: [repeat({ reach: 0.5, lies: 'over', recoloured: true })] }),
    );
    const [, over] = evaluate(short, 35).items as unknown as { path: unknown[] }[];
    const whole = evaluate(one(), 35).items[0] as unknown as { path: unknown[] };
    expect(over!.path.length).toBeLessThan(whole.path.length);
    const sooner = withEffects(one(), effect('Wake', { repeats: [repeat({ delay: 6, sooner: 6 })] }));
    expect(area(pixels(sooner, 70))).toBe(0);
    expect(
      area(pixels(withEffects(one(), effect('Wake', { repeats: [repeat({ delay: 6 })] })), 70)),
    ).toBeGreaterThan(0);
  });

  test('of lettering that writes itself it repeats text and strokes together, in any order of effects that do not meet', () => {
    const matte = { ...curve('s'), ink: { ...curve('s').ink, width: 90 } };
    let piece = addLayers(newPiece('Text', { width: W, height: H }), [lettering('I'), matte]);
    piece = written(setReveal(piece, ['text'], revealThrough(['s'])), ['s']);
    const wake = effect('Wake', { repeats: [repeat({ delay: 5, x: 100, recoloured: true })] });
    const made = changeEffects(piece, ['text'], () => [wake]);
    const at = (frame: number, p = made) => area(pixels(p, frame));
    // The repeat stands beside it and shows later what it showed.
    expect(at(12)).toBeCloseTo(at(12, piece) + at(7, piece), 1);
  });
});

describe('copies', () => {
  test('a ring stands on its circle, facing outwards or upright, full or as an arc', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.double({ min: 1, max: 300, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        (count, radius, from) => {
          const ring = { shape: 'ring', count, radius, from, arc: Math.PI * 2, facing: 'outwards' } as const;
          const places = placesOf(ring, null);
          expect(places).toHaveLength(count);
          places.forEach((m, i) => {
            expect(Math.hypot(m[4], m[5])).toBeCloseTo(radius, 6);
            // Its upward direction points away from the middle.
            const up = applyMatrix([m[0], m[1], m[2], m[3], 0, 0], { x: 0, y: -1 });
            expect(up.x * radius).toBeCloseTo(m[4], 6);
            expect(up.y * radius).toBeCloseTo(m[5], 6);
            const angle = from + (i * Math.PI * 2) / count;
            expect(m[4]).toBeCloseTo(radius * Math.cos(angle), 6);
            expect(m[5]).toBeCloseTo(radius * Math.sin(angle), 6);
          });
        },
      ),
    );
    const arc = placesOf(
      { shape: 'ring', count: 3, radius: 10, from: 0, arc: Math.PI, facing: 'upright' },
      null,
    );
    expect(arc.map(([a, b, , , x, y]) => [a, b, Math.round(x), Math.round(y)])).toEqual([
      [1, 0, 10, 0],
      [1, 0, 0, 10],
      [1, 0, -10, 0],
    ]);
    const alone = { shape: 'ring', count: 1, radius: 10, from: 0, arc: Math.PI, facing: 'upright' } as const;
    expect(placesOf(alone, null)).toEqual([[1, 0, 0, 1, 10, 0]]);
  });

  test('mirrored twice is where it was; along a stroke they stand on it', () => {
    const [, over] = placesOf({ shape: 'mirrored', angle: 1.1, distance: 12 }, null);
    fc.assert(
      fc.property(
        fc.double({ min: -99, max: 99, noNaN: true }),
        fc.double({ min: -99, max: 99, noNaN: true }),
        (x, y) => {
          const back = applyMatrix(over!, applyMatrix(over!, { x, y }));
          expect(back.x).toBeCloseTo(x, 6);
          expect(back.y).toBeCloseTo(y, 6);
        },
      ),
    );
    const path = lineShape({ x: 10, y: 20 }, { x: 110, y: 20 });
    const places = placesOf({ shape: 'along a stroke', count: 3, from: 0, to: 1, turned: true }, path);
    expect(places.map((m) => [m[4], m[5]])).toEqual([
      [10, 20],
      [60, 20],
      [110, 20],
    ]);
  });

  test('what is copied is what separate strokes would show, later by its delay; disorder comes from its seed alone', () => {
    const row: Partial<Copies> = { arrangement: { shape: 'row', count: 3, x: 0, y: 30 }, delay: 2 };
    const piece = withEffects(one(), effect('Copies', row));
    const moved = (i: number): Stroke => {
      const { path } = curve('s');
      return {
        ...curve(`c${i}`),
        path: { ...path, points: path.points.map((p) => ({ ...p, y: p.y + 30 * i })) },
      };
    };
    let three = one();
    for (const i of [1, 2]) {
      const made = setInk(addLayers(newPiece('C', { width: W, height: H }), [moved(i)]), [`c${i}`], {
        width: 10,
      });
      three = { ...three, layers: [...three.layers, ...written(made, [`c${i}`], 5 + 2 * i).layers] };
    }
    for (const frame of [6, 12, 30, 55])
      expect(worst(pixels(piece, frame), pixels(three, frame))).toBeLessThanOrEqual(1);
    const disordered = (seed: number) =>
      JSON.stringify(evaluate(withEffects(one(), effect('Copies', { ...row, disorder: 0.5, seed })), 30));
    expect(disordered(3)).toBe(disordered(3));
    expect(disordered(3)).not.toBe(disordered(4));
  });
});

test.each([
  ['ring', { shape: 'ring', count: 5, radius: 40, from: 0.3, arc: Math.PI * 2, facing: 'outwards' }],
  ['grid', { shape: 'grid', columns: 2, rows: 2, x: 60, y: 40 }],
  ['mirrored', { shape: 'mirrored', angle: 0.2, distance: 10 }],
])('copies in a %s that are taken apart into layers look as they did', (_, arrangement) => {
  const values = {
    arrangement,
    delay: 3,
    rotation: 0.2,
    scale: 0.9,
    opacity: 0.8,
    recoloured: true,
    colour: '#00ff00',
  };
  const placed = setPlace(one(), 's', 0, { rotation: 0.3, x: 10, pivotX: 120, pivotY: 70 });
  const grouped = groupLayers(placed, ['s'], { id: 'g', name: 'G' });
  for (const [piece, id] of [
    [placed, 's'],
    [setPlace(grouped, 'g', 0, { scaleX: 0.8, scaleY: 0.8 }), 'g'],
  ] as const) {
    const copied = changeEffects(piece, [id], () => [
      effect('Copies', values),
      effect('Held frames', { drawings: 12.5 }),
    ]);
    let count = 0;
    const apart = copiesApart(copied, id, 0, 0, () => `new-${count++}`);
    expect(apart.layers.length).toBe(placesOf(arrangement as never, null).length);
    expect(readPiece(apart)).toMatchObject({ ok: true });
    for (const frame of [8, 20, 40, 56])
      expect(worst(pixels(apart, frame), pixels(copied, frame))).toBeLessThanOrEqual(2);
  }
});

describe('an unsteady hand', () => {
  const random = seeded(11);
  const places = Array.from({ length: 4000 }, () => ({ x: random() * 4000, y: random() * 4000 }));
  const mean = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length;

  test('moves as far as asked, and apart from its grain on not alike: root mean square within 5 %, autocorrelation', () => {
    for (const [amount, grain] of [
      [3, 90],
      [1.5, 9],
      [20, 300],
    ] as const) {
      const square: number[] = [];
      const along = { near: [] as number[], far: [] as number[] };
      for (let drawing = 0; drawing < 12; drawing++) {
        const field = unsteady(amount, grain, drawing);
        for (const p of places) {
          const by = field(p);
          square.push(by.x ** 2 + by.y ** 2);
          const other = (d: number): Point => field({ x: p.x + d * grain, y: p.y });
          along.near.push(by.x * other(0.25).x + by.y * other(0.25).y);
          along.far.push(by.x * other(1).x + by.y * other(1).y);
        }
      }
      const power = mean(square);
      expect(Math.abs(Math.sqrt(power) / amount - 1)).toBeLessThan(0.05);
      expect(mean(along.near) / power).toBeGreaterThan(0.7);
      expect(Math.abs(mean(along.far) / power)).toBeLessThan(0.1);
    }
  });

  test('drifts nowhere: over many drawings a place stays where it is in the mean', () => {
    const moves = Array.from({ length: 4000 }, (_, drawing) =>
      unsteady(4, 60, drawing)({ x: 517.3, y: 233.9 }),
    );
    // The mean of n drawings of deviation 4 is within 4 · 3 / √n of nought, but once in some hundred times.
    expect(Math.abs(mean(moves.map(({ x }) => x)))).toBeLessThan((4 * 3) / Math.sqrt(4000));
    expect(Math.abs(mean(moves.map(({ y }) => y)))).toBeLessThan((4 * 3) / Math.sqrt(4000));
  });

  test.each(['Wobble', 'Rough edge'])(
    '%s is one drawing while it is held, another after, and the first again in a loop',
    (name) => {
      const still = setInk(addLayers(newPiece('Still', { width: W, height: H }), [curve('s')]), ['s'], {
        width: 10,
      });
      const piece = withEffects(still, effect(name, { held: 3, loop: 12 }));
      const at = (frame: number) => evaluate(piece, frame).items[0];
      expect(at(1)).toBe(at(0));
      expect(at(2.9)).toBe(at(0));
      expect(JSON.stringify(at(3))).not.toBe(JSON.stringify(at(2)));
      expect(JSON.stringify(at(13))).toBe(JSON.stringify(at(1)));
      expect(JSON.stringify(at(-1))).toBe(JSON.stringify(at(11)));
    },
  );

  test('a rough edge leaves as much ink as there was', () => {
    const still = setInk(addLayers(newPiece('Still', { width: W, height: H }), [curve('s')]), ['s'], {
      width: 16,
    });
    const smoothArea = area(pixels(still, 0));
    for (const seed of [1, 2, 3]) {
      const rough = area(
        pixels(withEffects(still, effect('Rough edge', { amount: 1.2, grain: 7, seed })), 0),
      );
      expect(Math.abs(rough / smoothArea - 1)).toBeLessThan(0.04);
    }
  });

  test('held frames are shown as they were drawn, so many a second whatever the rate', () => {
    const piece = withEffects(one(), effect('Held frames', { drawings: 12.5 }));
    for (const frame of [7, 11, 12.5, 33, 50])
      expect(worst(pixels(piece, frame), pixels(one(), Math.floor(frame / 2) * 2))).toBe(0);
  });

  test('where their rate follows keys, each is held for as long as the rate at its own frame says', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.5, max: 24, noNaN: true }), { minLength: 2, maxLength: 4 }),
        (values) => {
          const rate = { keys: values.map((value, i) => ({ frame: i * 25, value, easing: LINEAR })) };
          let last = heldFrame(0, rate, 25);
          for (let frame = 0; frame <= 100; frame += 0.25) {
            const drawn = heldFrame(frame, rate, 25);
            expect(drawn).toBeLessThanOrEqual(frame + 1e-6);
            const each = 25 / valueAt(rate, last);
            if (drawn !== last) expect(drawn - last).toBeCloseTo(each, 4);
            expect(
              heldFrame(
                frame,
                mapValues(rate, (value) => value + 25),
                25,
              ),
            ).toBe(frame);
            last = drawn;
          }
        },
      ),
      { numRuns: times(15, 600) },
    );
  });
});

describe('glint', () => {
  const still = setInk(addLayers(newPiece('Still', { width: W, height: H }), [curve('s')]), ['s'], {
    width: 16,
    colour: '#404040',
  });

  test('lightens what it passes, in the order in which it passes, and covers nothing more', () => {
    const before = pixels(still, 0);
    for (const way of ['across', 'along the stroke']) {
      const middles = [0.25, 0.5, 0.75].map((at) => {
        const lit = pixels(withEffects(still, effect('Glint', { at, way, width: 40, angle: 0 })), 0);
        expect(changedArea(lit, before)).toBeLessThan(1);
        let [sum, x] = [0, 0];
        for (let i = 0; i < lit.length; i += 4) {
          const more = Math.max(0, lit[i]! - before[i]!);
          sum += more;
          x += more * ((i / 4) % W);
        }
        expect(sum).toBeGreaterThan(1000);
        return x / sum;
      });
      expect(middles[0]!).toBeLessThan(middles[1]! - 20);
      expect(middles[1]!).toBeLessThan(middles[2]! - 20);
    }
  });

  test('before it comes and after it has gone there is nothing of it; it sets out when a stroke arrives', () => {
    for (const at of [0, 1, -0.5, 1.5])
      expect(evaluate(withEffects(still, effect('Glint', { at })), 0).items).toEqual(
        evaluate(still, 0).items,
      );
    const cued = addEffect(
      addLayers(one(), [{ ...dot, id: 'other' }]),
      ['s'],
      effect('Glint', { after: 's', lasts: 10 }),
    );
    const dark = addLayers(one(), [{ ...dot, id: 'other' }]);
    const lit = (frame: number): boolean =>
      JSON.stringify(evaluate(cued, frame)) !== JSON.stringify(evaluate(dark, frame));
    expect([24, 26, 34, 36].map(lit)).toEqual([false, true, true, false]);
  });

  test('light on the parts of a group is the light on the whole of it', () => {
    const two = groupLayers(addLayers(still, [curve('t')]), ['s', 't'], { id: 'g', name: 'G' });
    const look = (blend?: 'screen'): Piece => ({
      ...two,
      layers: two.layers.map((layer) => (blend && layer.id === 's' ? { ...layer, blend } : layer)),
    });
    for (const at of [0.3, 0.5, 0.62]) {
      const shine = effect('Glint', { at, width: 60, angle: 0.5 });
      const lit = (piece: Piece) => addEffect(piece, ['g'], shine);
      // Blended over nothing the lowest looks as it is; what is blended is lit as a whole.
      expect(worst(pixels(look(), 0), pixels(look('screen'), 0))).toBeLessThanOrEqual(2);
      expect(worst(pixels(lit(look()), 0), pixels(look(), 0))).toBeGreaterThan(60);
      // Light as a see-through layer is rounded twice, and edges blend by another sum.
      expect(worst(pixels(lit(look()), 0), pixels(lit(look('screen')), 0))).toBeLessThanOrEqual(6);
    }
  });
});

describe('fluid ink', () => {
  const bar = (values: object, width = 30): Piece => {
    const made = newStroke('s', 'S', lineShape({ x: 40, y: 70 }, { x: 200, y: 70 }));
    return withEffects(
      setInk(addLayers(newPiece('Bar', { width: W, height: H }), [made]), ['s'], { width, cap: 'round' }),
      effect('Fluid ink', { tension: 6, ...values }),
    );
  };

  test('at rest a straight edge stays within half a pixel, and the area within 2 %', () => {
    for (const tension of [2, 6, 10]) {
      const piece = bar({ tension });
      const data = pixels(piece, 10);
      const column = (x: number): number => {
        let sum = 0;
        for (let y = 0; y < H; y++) sum += data[(y * W + x) * 4 + 3]! / 255;
        return sum;
      };
      for (const x of [80, 120, 160]) expect(Math.abs(column(x) - 30)).toBeLessThan(1);
      const plain = area(pixels(withEffects(piece), 10));
      expect(Math.abs(area(data) / plain - 1)).toBeLessThan(0.02);
    }
  });

  test('what moves swells and lets drops go; nothing flickers: from frame to frame no more changes than the ink moves', () => {
    const plain = written(bar({}), ['s']);
    const piece = withEffects(plain, effect('Fluid ink', { tension: 6, runniness: 0.8 }));
    const bare = withEffects(plain);
    let dropped = 0;
    for (let frame = 4; frame < 90; frame += 1) {
      const [a, b] = [pixels(piece, frame), pixels(piece, frame + 1)];
      const moved = changedArea(pixels(bare, frame), pixels(bare, frame + 1));
      // A body begins to swell a little before it runs: by no more than a ninth of its width squared.
      expect(changedArea(a, b)).toBeLessThan(2.5 * moved + 100);
      dropped = Math.max(dropped, area(pixels(piece, frame)) - area(pixels(bare, frame)));
    }
    expect(dropped).toBeGreaterThan(30);
    expect(area(pixels(piece, 99))).toBe(0);
  });

  test('strokes that nearly touch melt into one', () => {
    const two = addLayers(newPiece('Two', { width: W, height: H }), [
      newStroke('a', 'A', lineShape({ x: 60, y: 40 }, { x: 60, y: 100 })),
      newStroke('b', 'B', lineShape({ x: 93, y: 40 }, { x: 93, y: 100 })),
    ]);
    const apart = groupLayers(setInk(two, ['a', 'b'], { width: 30, cap: 'flat' }), ['a', 'b'], {
      id: 'g',
      name: 'G',
    });
    const melted = changeEffects(apart, ['g'], () => [effect('Fluid ink', { tension: 16 })]);
    const between = (piece: Piece): number => pixels(piece, 0)[(70 * W + 76) * 4 + 3]!;
    expect(between(apart)).toBe(0);
    expect(between(melted)).toBe(255);
  });
});

test('what something is seen through takes part by its shape alone: light and glints of it uncover nothing more', () => {
  let piece = addLayers(newPiece('Seen', { width: W, height: H }), [art, curve('s')]);
  piece = setReveal(setInk(piece, ['s'], { width: 12 }), ['art'], revealThrough(['s']));
  const bare = area(pixels(piece, 0));
  for (const name of ['Glow', 'Drop shadow', 'Glint', 'Inner glow'])
    expect(area(pixels(withEffects(piece, effect(name)), 0))).toBe(bare);
  expect(
    area(
      pixels(
        withEffects(piece, effect('Copies', { arrangement: { shape: 'row', count: 2, x: 0, y: 20 } })),
        0,
      ),
    ),
  ).toBeGreaterThan(bare * 1.2);
});

test('values are keyed, and lengths scale with the layer', () => {
  const keyed = withEffects(one(), {
    on: true,
    is: {
      ...effect('Wobble').is,
      amount: {
        keys: [
          { frame: 0, value: 0, easing: { type: 'linear' } },
          { frame: 10, value: 4, easing: { type: 'linear' } },
        ],
      },
    } as EffectSetting,
  });
  const [layer] = keyed.layers;
  expect(keyedParts(layer!)).toContain('effects.0.is.amount');
  const twice = scaledLayer(layer!, 2, { x: 0, y: 0 });
  expect(twice.effects![0]!.is).toMatchObject({ amount: { keys: [{ value: 0 }, { value: 8 }] } });
  expect(worst(pixels(keyed, 0), pixels(one(), 0))).toBe(0);
  const still = updateStrokes(keyed, ['s'], (stroke) => ({
    ...stroke,
    window: { head: 1, tail: 0, slide: 0 },
  }));
  expect(worst(pixels(still, 12), pixels(withEffects(still), 12))).toBeGreaterThan(0);
});

test('copies of copies of copies come to an end', () => {
  const many = effect('Copies', { arrangement: { shape: 'row', count: 200, x: 1, y: 0 } });
  const { items } = evaluate(withEffects(one(), many, many, many, many), 30);
  expect(items.length).toBeLessThanOrEqual(20_000);
});
