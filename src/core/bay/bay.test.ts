import fc from 'fast-check';
import {
  writeDifference,
  lay,
  measure,
  natureOf,
  wayFindings,
  waysOf,
  type Nature,
  type Pixels,
  type Way,
} from '.';

/** A soft round spot of a colour, straight. */
function spot(colour: readonly [number, number, number], side = 48): Uint8ClampedArray {
  const pixels = new Uint8ClampedArray(side * side * 4);
  for (let i = 0; i < side * side; i++) {
    const far = Math.hypot((i % side) - side / 2, Math.floor(i / side) - side / 2);
    const alpha = Math.max(0, Math.min(1, (side / 2.6 - far) / 5));
    if (alpha > 0) pixels.set([...colour, Math.round(alpha * 255)], i * 4);
  }
  return pixels;
}
const over = (colour: readonly [number, number, number], like: Pixels): Uint8ClampedArray =>
  new Uint8ClampedArray(like.length).map((_, i) => (i % 4 === 3 ? 255 : colour[i % 4]!));
const multiplied = (p: Pixels) =>
  new Uint8ClampedArray(p.length).map((_, i) => (i % 4 === 3 ? p[i]! : (p[i]! * p[i - (i % 4) + 3]!) / 255));
const opaque = (p: Pixels) => new Uint8ClampedArray(p.length).map((_, i) => (i % 4 === 3 ? 255 : p[i]!));
const grey = (p: Pixels) =>
  new Uint8ClampedArray(p.length).map((_, i) => (i % 4 === 3 ? 255 : p[i - (i % 4) + 3]!));
const laid = (way: Way, picture: Pixels, matte: Pixels | null, ground: Pixels) => {
  const out = new Uint8ClampedArray(picture.length);
  lay(way, picture, matte, ground, out);
  return out;
};
const farthest = (a: Pixels, b: Pixels): number => {
  let most = 0;
  for (let i = 0; i < a.length; i++) most = Math.max(most, Math.abs(a[i]! - b[i]!));
  return most;
};

const channel = fc.integer({ min: 0, max: 255 });
const colour = fc.tuple(channel, channel, channel);

/** What each kind of file is made of a straight picture: its pixels and, where there is one, its matte. */
const FILES: Readonly<
  Record<
    'straight' | 'premultiplied' | 'fill straight' | 'fill premultiplied',
    (p: Pixels) => [Pixels, Pixels | null]
  >
> = {
  straight: (p) => [p, null],
  premultiplied: (p) => [multiplied(p), null],
  'fill straight': (p) => [opaque(p), grey(p)],
  'fill premultiplied': (p) => [opaque(multiplied(p)), grey(p)],
};
const RIGHT: Readonly<Record<keyof typeof FILES, Way>> = {
  straight: 'straight',
  premultiplied: 'premultiplied',
  'fill straight': 'matte',
  'fill premultiplied': 'key',
};

test('whatever way it is sent, taken as it is meant a picture lies over any ground the same (Porter & Duff 1984)', () => {
  fc.assert(
    fc.property(colour, colour, (ink, beneath) => {
      const piece = spot(ink);
      const ground = over(beneath, piece);
      const wanted = laid('straight', piece, null, ground);
      return (Object.keys(FILES) as (keyof typeof FILES)[]).every(
        // Multiplied colours are rounded once more.
        (nature) => farthest(laid(RIGHT[nature], ...FILES[nature](piece), ground), wanted) <= 1,
      );
    }),
  );
});

test('over black, light that is added is the picture itself; over white it changes nothing', () => {
  const piece = spot([200, 120, 40]);
  expect(
    farthest(laid('light', piece, null, over([0, 0, 0], piece)), opaque(multiplied(piece))),
  ).toBeLessThanOrEqual(1);
  expect(
    farthest(laid('light', piece, null, over([255, 255, 255], piece)), over([255, 255, 255], piece)),
  ).toBe(0);
});

test('bright ink tells whether it was multiplied; dark ink and empty pictures tell nothing', () => {
  fc.assert(
    fc.property(fc.tuple(fc.integer({ min: 220, max: 255 }), channel, channel), (ink) => {
      const piece = spot(ink);
      return (Object.keys(FILES) as (keyof typeof FILES)[]).every(
        (nature) => natureOf(...FILES[nature](piece)) === nature,
      );
    }),
  );
  for (const nature of Object.keys(FILES) as (keyof typeof FILES)[])
    expect(natureOf(...FILES[nature](spot([20, 16, 10])))).toBeNull();
  expect(natureOf(new Uint8Array(400), null)).toBeNull();
  expect(natureOf(over([9, 9, 9], new Uint8Array(400)), null)).toBe('opaque');
  const hard = spot([240, 200, 90]).map((v, i, all) => (i % 4 === 3 ? (v >= 128 ? 255 : 0) : all[i]!));
  expect(natureOf(hard, null)).toBe('hard');
});

/** The fringe of a kind of file taken a way, over a ground. */
function fringe(nature: keyof typeof FILES, way: Way, ground: readonly [number, number, number]): number {
  const piece = spot([235, 180, 90]);
  const beneath = over(ground, piece);
  const shown = laid(way, ...FILES[nature](piece), beneath);
  return measure(shown, laid('straight', piece, null, beneath), piece).fringe;
}

test('a dark fringe is multiplied once too often, a light one once too little: measured and said', () => {
  const CASES: readonly [keyof typeof FILES, Way, 'dark' | 'light'][] = [
    ['premultiplied', 'straight', 'dark'],
    ['fill premultiplied', 'matte', 'dark'],
    ['straight', 'premultiplied', 'light'],
    ['fill straight', 'key', 'light'],
  ];
  for (const [nature, way, which] of CASES) {
    const size = fringe(nature, way, [90, 100, 110]);
    expect(Math.sign(size)).toBe(which === 'dark' ? -1 : 1);
    expect(Math.abs(size)).toBeGreaterThan(15);
    const [verdict, edges] = wayFindings(nature, way, {
      fringe: size,
      ink: 0,
      around: 0,
      edges: 9,
      solid: 9,
      empty: 9,
    });
    expect(verdict!.words).toContain(`A ${which} fringe`);
    expect(verdict!.mend).toBeTruthy();
    expect(edges!.words).toContain(which === 'dark' ? 'darker' : 'brighter');
  }
  for (const nature of Object.keys(FILES) as (keyof typeof FILES)[]) {
    expect(Math.abs(fringe(nature, RIGHT[nature], [90, 100, 110]))).toBeLessThan(1);
    expect(wayFindings(nature, RIGHT[nature], null)).toEqual([
      { good: true, words: 'The file is taken as it is meant.' },
    ]);
  }
});

test('whatever kind of file is taken whatever way, something is said; only one way is right', () => {
  const all: readonly (readonly [Nature, boolean])[] = [
    ...(['straight', 'premultiplied', 'hard', 'opaque'] as const).map((nature) => [nature, false] as const),
    ...(['fill straight', 'fill premultiplied'] as const).map((nature) => [nature, true] as const),
  ];
  for (const [nature, hasMatte] of all) {
    const said = waysOf(hasMatte).map((way) => wayFindings(nature, way, null));
    expect(said.every((findings) => findings.length === 1)).toBe(true);
    expect(said.filter(([one]) => one!.good).length).toBe(nature === 'hard' ? 0 : 1);
  }
});

test('a difference is nothing where two pictures are the same, and grows with its gain', () => {
  const [a, b, out] = [
    over([10, 20, 30], new Uint8Array(16)),
    over([12, 20, 25], new Uint8Array(16)),
    new Uint8Array(16),
  ];
  writeDifference(a, b, 4, out);
  expect([...out.slice(0, 4)]).toEqual([8, 0, 20, 255]);
  writeDifference(a, a, 16, out);
  expect([...out.slice(0, 4)]).toEqual([0, 0, 0, 255]);
});
