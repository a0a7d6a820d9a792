import { TRACE_OPTIONS } from '..';
import { addLayers, isCorrected, newPiece, setInk, setText, strokesOf, type Lettering } from '../../document';
import { measurePath, pointAtLength } from '../../geometry';
import { ownersIn, strokesThrough } from '../../scene';
import { makeCanvas, measuresOf } from '../../testing/face-measures';
import { faceWords } from '../../testing/face-words';
import { judgeWord } from '../../testing/words-written';
import { coverage } from '../coverage/coverage';
import { coveredArt } from '../coverage/covered-art';
import { fittedToReveal, withSelfWriting } from '../writing/self-writing';
import { knowsLetters, traceLetters } from './trace-letters';

const FACES = {
  quicksand: 'quicksand/400Regular/Quicksand_400Regular.ttf',
  lora: 'lora/400Regular/Lora_400Regular.ttf',
  oswald: 'oswald/400Regular/Oswald_400Regular.ttf',
  pacifico: 'pacifico/400Regular/Pacifico_400Regular.ttf',
  sacramento: 'sacramento/400Regular/Sacramento_400Regular.ttf',
  allura: 'allura/400Regular/Allura_400Regular.ttf',
};
const word = Object.fromEntries(
  Object.entries(FACES).map(([name, file]) => [name, faceWords(file)]),
) as Record<keyof typeof FACES, ReturnType<typeof faceWords>>;

const traced = (layer: Lettering, options = TRACE_OPTIONS) => traceLetters(layer, options, makeCanvas)!;

/** Words with each letter of the alphabet, by nobody chosen for passing: every letter, small and capital, comes in one. */
const WORDS = ['Jackdaw', 'Quiver', 'Zephyr', 'Boxwood', 'Fleming', 'Thrift', 'Kelp', 'Marsh'];

test.each(['quicksand', 'lora'] as const)(
  '%s is written as a hand writes it, letter after letter',
  (face) => {
    const measures = measuresOf(word[face]);
    for (const text of WORDS) {
      const layer = word[face](text);
      expect([text, judgeWord(layer, traced(layer), measures)]).toEqual([
        text,
        expect.objectContaining({ bare: [], otherwise: [], early: [] }),
      ]);
    }
  },
);

test('a script’s letters are joined where the ink is: the pen is lifted less than once a letter', () => {
  const measures = measuresOf(word.allura);
  let [lifts, letters] = [0, 0];
  for (const text of ['Halyard', 'daily', 'laden', 'Calling']) {
    const layer = word.allura(text);
    const strokes = traced(layer);
    const judged = judgeWord(layer, strokes, measures);
    expect([text, judged.early, judged.bare]).toEqual([text, [], []]);
    lifts += judged.lifts;
    letters += judged.letters;
    // Each letter still has strokes of its own, which none shares with another.
    expect(new Set(strokes.map(({ glyph }) => glyph)).size).toBe(text.length);
  }
  expect(lifts / letters).toBeLessThan(0.9);
});

test('the tip of a stem over its bar is the stem’s beginning; the bar does not come back for it', () => {
  const [stem, bar] = traced(word.sacramento('T'));
  const ends = ({ path: { points } }: { path: { points: readonly { x: number; y: number }[] } }) =>
    [points[0]!, points.at(-1)!] as const;
  const right = Math.max(...bar!.path.points.map(({ x }) => x));
  expect(ends(bar!)[1].x).toBe(right);
  // The bar passes below where the stem begins.
  const m = measurePath(bar!.path);
  const passes = Array.from({ length: 200 }, (_, i) => pointAtLength(m, (m.length * i) / 199));
  const [top] = ends(stem!);
  const below = passes.reduce((a, b) => (Math.abs(b.x - top.x) < Math.abs(a.x - top.x) ? b : a));
  expect(top.y).toBeLessThan(below.y - 3);
});

test('serifs that nearly meet join no letters: a text of print is written as its letters are far apart', () => {
  const long = (strokes: ReturnType<typeof traced>) =>
    strokes.reduce((sum, { path }) => sum + measurePath(path).length, 0);
  for (const text of ['Saltmarsh', 'Almanac', 'mill']) {
    // Set so wide that no two come near each other.
    const apart = long(traced(word.lora(text, 200, 600)));
    // Whether the pen goes back over a serif turns on a pixel; joined by their serifs letters were half as long again.
    expect(Math.abs(long(traced(word.lora(text, 200))) / apart - 1)).toBeLessThan(0.06);
  }
});

test('letters that touch or overlap keep strokes of their own, whatever the tracking', () => {
  const cases: [keyof typeof FACES, string, number][] = [
    ['pacifico', 'KAYAK', 0],
    ['pacifico', 'AWAY', 0],
    ['pacifico', 'AVIATOR', 0],
    ['oswald', 'Tidewater', -80],
    ['quicksand', 'minimum', -80],
    ['lora', 'Wavelet', -80],
  ];
  for (const [face, text, tracking] of cases) {
    const strokes = traced(word[face](text, 120, tracking));
    expect([text, new Set(strokes.map(({ glyph }) => glyph)).size]).toEqual([text, text.length]);
  }
});

test('dots and bars wait for the word, or come with their letter', () => {
  const layer = word.quicksand('tidy jet');
  const glyphs = (marks: 'at once' | 'after the word') =>
    traced(layer, { ...TRACE_OPTIONS, marks }).map(
      ({ glyph, written }) => `${glyph}${written?.isMark ? '•' : ''}`,
    );
  const waiting = glyphs('after the word');
  expect(waiting.slice(0, waiting.indexOf('5')).filter((one) => one.endsWith('•'))).toEqual(['0•', '1•']);
  expect(waiting.slice(-2)).toEqual(['5•', '7•']);
  const atOnce = glyphs('at once');
  expect(atOnce.indexOf('0•')).toBeLessThan(atOnce.indexOf('1'));
  expect([...atOnce].sort()).toEqual([...waiting].sort());
});

test('a letter that comes again is written the same way, where it stands', () => {
  const layer = word.sacramento('noon', 160);
  const [first, second] = [1, 2].map((glyph) =>
    traced(layer).filter((stroke) => stroke.glyph === glyph && !stroke.written?.isMark),
  );
  const { glyphs } = layer.set;
  const by = glyphs[2]!.x - glyphs[1]!.x;
  const end = (strokes: typeof first) => strokes!.at(-1)!.path.points.at(-1)!;
  expect(end(second).x - end(first).x).toBeCloseTo(by, 6);
  expect(end(second).y).toBeCloseTo(end(first).y, 6);
});

test('a form that a person chose is followed however a letter fits it; one that is not known changes nothing', () => {
  const layer = word.sacramento('kelk', 160);
  const written = (ductus: Record<string, string>) =>
    traced({ ...layer, setting: { ...layer.setting, ductus } }).map(({ path, glyph }) => ({ path, glyph }));
  const asItFits = written({});
  expect(written({ k: 'no such form', x: 'plain' })).toEqual(asItFits);
  const chosen = written({ k: 'plain' });
  const of = (strokes: typeof chosen, glyph: number) => strokes.filter((stroke) => stroke.glyph === glyph);
  for (const glyph of [0, 3]) expect(of(chosen, glyph)).not.toEqual(of(asItFits, glyph));
  expect(of(chosen, 2)).toEqual(of(asItFits, 2));
  // Whatever the form, all of the letter has a stroke: nothing of it is far from one.
  const long = (strokes: typeof chosen) =>
    of(strokes, 0).reduce((sum, { path }) => sum + measurePath(path).length, 0);
  expect(long(chosen)).toBeGreaterThan(0.8 * long(asItFits));
});

test('scripts that no form tells of are left to their ink', () => {
  const text = (letters: string): Lettering => {
    const layer = word.quicksand('abcd');
    return { ...layer, setting: { ...layer.setting, text: letters } };
  };
  expect(knowsLetters(text('abcd'))).toBe(true);
  expect(knowsLetters(text('潮見表明'))).toBe(false);
});

describe('lettering that writes itself', () => {
  let n = 0;
  const how = { make: makeCanvas, newId: () => `n${n++}`, options: TRACE_OPTIONS };
  const written = (layer: Lettering) =>
    withSelfWriting(
      addLayers(newPiece('Word', { width: 1600, height: 500 }, undefined, 100), [
        { ...layer, x: 60, y: 300 },
      ]),
      layer.id,
      how,
    );
  const textOf = (piece: ReturnType<typeof written>): Lettering =>
    piece.layers.find((layer): layer is Lettering => layer.type === 'lettering')!;

  test('is wholly uncovered, each letter only by its own strokes, with next to nothing seen too early', () => {
    for (const layer of [word.sacramento('Saltmarsh', 200), word.oswald('Tidewater', 200, -80)]) {
      const piece = written(layer);
      const text = textOf(piece);
      const strokes = strokesThrough(piece, text.reveal!);
      ownersIn(text, strokes).forEach((own, glyph) => {
        expect(own.length).toBeGreaterThan(0);
        for (const i of own) expect(strokes[i]!.traced!.glyph).toBe(glyph);
      });
      const found = coverage(coveredArt(text, strokes, true, makeCanvas)!, strokes, 100);
      expect(found.share).toBeGreaterThan(0.9995);
      expect(found.overTime.filter(({ early }) => early > 0.002).length).toBeLessThanOrEqual(1);
    }
  });

  test('strokes made much too thin are fitted again at once', () => {
    for (const layer of [word.sacramento('Ebb', 240), word.quicksand('Ebb', 240)]) {
      const piece = written(layer);
      const thin = setInk(
        piece,
        strokesOf(piece).map((stroke) => stroke.id),
        { width: 3 },
      );
      const fitted = fittedToReveal(thin, layer.id, makeCanvas);
      const text = textOf(fitted);
      const strokes = strokesThrough(fitted, text.reveal!);
      const found = coverage(coveredArt(text, strokes, true, makeCanvas)!, strokes, 100);
      expect([found.share > 0.9995, found.bare]).toEqual([true, []]);
    }
  });

  test('a letter whose strokes are gone is bare, and coverage says so, though others cross its ink', () => {
    const piece = written(word.pacifico('KAYAK', 160));
    const text = textOf(piece);
    const all = strokesThrough(piece, text.reveal!);
    const left = all.filter((stroke) => stroke.traced!.glyph !== 3);
    expect(left.length).toBeLessThan(all.length);
    const found = coverage(coveredArt(text, left, true, makeCanvas)!, left, 100);
    expect(found.share).toBeLessThan(0.9);
  });

  test('follows its text: letters that stay keep their strokes, and a hand’s corrections stay with their letter', () => {
    const before = written(word.quicksand('Tide', 160));
    const [first] = strokesOf(before);
    const bent = strokesOf(before).find((stroke) => stroke.traced!.glyph === 2)!;
    const corrected = {
      ...before,
      layers: before.layers.map((layer) =>
        layer.id === bent.id
          ? { ...bent, path: { ...bent.path, points: bent.path.points.map((p) => ({ ...p, y: p.y - 3 })) } }
          : layer,
      ),
    };
    const text = textOf(corrected);
    const to = word.quicksand('Tided', 160);
    const changed = setText(corrected, text.id, { ...text.setting, text: 'Tided' }, to.set);
    const after = withSelfWriting(changed, text.id, { ...how, before: text });
    const strokes = strokesOf(after);
    expect(strokes.find(({ id }) => id === first!.id)!.traced!.glyph).toBe(0);
    const kept = strokes.find(({ id }) => id === bent.id)!;
    expect([isCorrected(kept), kept.traced!.glyph]).toEqual([true, 2]);
    expect(new Set(strokes.map((stroke) => stroke.traced!.glyph))).toEqual(new Set([0, 1, 2, 3, 4]));
    const added = strokes.find((stroke) => stroke.traced!.glyph === 4)!;
    const m = measurePath(added.path);
    expect(pointAtLength(m, m.length / 2).x).toBeGreaterThan(to.set.glyphs[4]!.x);
    // Written in the order of the text; the dot waits.
    const order = strokes.map((stroke) => stroke.traced!.glyph!);
    expect(order.filter((glyph, i) => glyph !== order[i - 1])).toEqual([0, 1, 2, 3, 4, 1]);
  });

  test('another face, narrower and heavier: letter by letter the strokes keep their ids and their timing', () => {
    const before = written(word.quicksand('clocks', 160));
    const text = textOf(before);
    const setting = { ...text.setting, face: { id: 'other', weight: 400 } };
    const changed = setText(before, text.id, setting, word.oswald('clocks', 160).set);
    const after = withSelfWriting(changed, text.id, { ...how, before: text });
    const told = (piece: typeof before) =>
      strokesOf(piece).map(({ id, traced, window }) => [id, traced!.glyph, window.head]);
    expect(told(after)).toEqual(told(before));
    expect(strokesOf(after).map(({ path }) => path)).not.toEqual(strokesOf(before).map(({ path }) => path));
  });
});
