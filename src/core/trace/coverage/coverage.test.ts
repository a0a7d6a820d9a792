import { createCanvas } from '@napi-rs/canvas';
import { TRACE_OPTIONS } from '..';
import {
  addLayers,
  applyManner,
  fitToCover,
  isFarBeyond,
  lengthenToCover,
  newPiece,
  newStroke,
  revealThrough,
  setReveal,
  strokesOf,
  widenToCover,
  writeInSequence,
  type Art,
  type Ink,
  type Piece,
  type Stroke,
} from '../../document';
import { commandsOf, corner, pathData, smooth, type Path } from '../../geometry';
import { distanceToPaper, type Mask } from '../../mask';
import { paint, type MakeCanvas } from '../../paint';
import { evaluate, partOutlines } from '../../scene';
import { times } from '../../testing/cases';
import { seeded } from '../../testing/families';
import { fontByOpentype } from '../../testing/font-outlines';
import { inkOf } from '../../testing/judge-ink';
import { LINEAR } from '../../timing';
import { traceInk } from '../ink/trace-ink';
import { withLettersMoved } from '../writing/follow-letters';
import { retrace } from '../writing/retrace';
import { seenThroughStrokes, untilCovered } from '../writing/reveal-lettering';
import { coverage, type Coverage } from './coverage';
import { coveredArt } from './covered-art';

const [W, H] = [400, 200];
const make = ((w: number, h: number) => createCanvas(w, h)) as unknown as MakeCanvas;
const ink = (width: number, cap: Ink['cap'] = 'round'): Ink => ({
  width,
  colour: '#000000',
  opacity: 1,
  cap,
  join: 'round',
});
const line = (x0: number, y0: number, x1: number, y1: number): Path => ({
  closed: false,
  points: [corner(x0, y0), corner(x1, y1)],
});
/** Rectangles as one piece of art, a shape each. */
const art = (...boxes: [number, number, number, number][]): Art => ({
  type: 'art',
  id: 'art',
  name: 'Art',
  hidden: false,
  locked: false,
  opacity: 1,
  transform: [1, 0, 0, 1, 0, 0],
  shapes: boxes.map(([x, y, w, h]) => ({
    data: `M${x} ${y}L${x + w} ${y}L${x + w} ${y + h}L${x} ${y + h}Z`,
    fill: '#ffffff',
    fillOpacity: 1,
    rule: 'nonzero' as const,
    line: null,
    transform: [1, 0, 0, 1, 0, 0] as const,
  })),
});
const pieceOf = (layer: Art, strokes: readonly Stroke[], confined = false): Piece =>
  setReveal(
    addLayers(newPiece('Cover', { width: W, height: H }, undefined, 60), [layer, ...strokes]),
    ['art'],
    revealThrough(
      strokes.map(({ id }) => id),
      { confined },
    ),
  );
const measured = (piece: Piece, confined = false): Coverage => {
  const [layer] = piece.layers as [Art];
  return coverage(coveredArt(layer, strokesOf(piece), confined, make)!, strokesOf(piece), piece.length);
};
/** Alpha that is painted at a frame, as a sum of whole pixels. */
function painted(piece: Piece, frame: number): number {
  const { width, height } = piece.size;
  const canvas = createCanvas(width, height);
  const context = canvas.getContext('2d');
  paint(evaluate(piece, frame), context, make);
  const { data } = context.getImageData(0, 0, width, height);
  let sum = 0;
  for (let i = 3; i < data.length; i += 4) sum += data[i]! / 255;
  return sum;
}

test('distances to paper are those to the nearest pixel of paper, by trying all', () => {
  const random = seeded(4);
  const mask: Mask = {
    width: 23,
    height: 17,
    data: Uint8Array.from({ length: 23 * 17 }, () => (random() < 0.9 ? 255 : 0)),
  };
  const got = distanceToPaper(mask);
  for (let i = 0; i < got.length; i++) {
    let best = Infinity;
    for (let k = 0; k < got.length; k++) {
      if (mask.data[k]! > 0) continue;
      best = Math.min(best, Math.hypot((i % 23) - (k % 23), Math.floor(i / 23) - Math.floor(k / 23)));
    }
    expect(got[i]).toBeCloseTo(mask.data[i]! > 0 ? best : 0, 4);
  }
});

test('the coverage measured is the coverage painted, over time and at the end, whatever the strokes', () => {
  const random = seeded(11);
  for (let round = 0; round < times(2, 40); round++) {
    const strokes = Array.from({ length: 3 }, (_, i) => {
      const at = () => ({ x: 30 + random() * 340, y: 30 + random() * 140 });
      const [a, b] = [at(), at()];
      const path: Path = {
        closed: false,
        // Bends tighter than a pen cut off flat is wide have no end to speak of.
        points:
          round % 2
            ? [corner(a.x, a.y), corner(b.x, b.y)]
            : [smooth(a.x, a.y, { x: 60, y: random() * 80 - 40 }), smooth(b.x, b.y, { x: 50, y: 20 })],
      };
      return newStroke(`s${i}`, `S ${i}`, path, ink(14 + random() * 60, round % 2 ? 'flat' : 'round'));
    });
    const piece = strokes.reduce(
      (p, s, i) =>
        applyManner(p, [s.id], {
          kind: 'on',
          onAt: i * 12,
          onFrames: 15,
          easing: LINEAR,
          from: round > 1 ? 'middle' : 'start',
        }),
      pieceOf(art([40, 40, 320, 120]), strokes),
    );
    const found = measured(piece);
    expect(found.area).toBeCloseTo(320 * 120, -1);
    const whole = painted(piece, 59);
    expect(Math.abs(found.share - whole / (320 * 120))).toBeLessThan(0.004);
    for (const frame of [8, 20, 33]) {
      const over = found.overTime[frame]!.share - painted(piece, frame) / (320 * 120);
      expect(over).toBeGreaterThan(-0.01);
      // On its way a pen is measured round: one that is cut off flat lacks half a disc at each end that moves.
      const beyond = strokes.reduce((sum, { ink }, i) => {
        const isUnderWay = frame > i * 12 && frame < i * 12 + 15;
        const ends = isUnderWay && round % 2 ? (round > 1 ? 2 : 1) : 0;
        return sum + (ends * Math.PI * ((ink.width as number) / 2) ** 2) / 2;
      }, 0);
      expect(over).toBeLessThan(0.01 + beyond / (320 * 120));
    }
    const bare = found.bare.reduce((sum, spot) => sum + spot.area, 0);
    expect(Math.abs(bare / (320 * 120) - (1 - found.share))).toBeLessThan(0.003);
  }
});

test('a stroke that was written covers to its very end, whatever its length', () => {
  const bar = art([0, 0, 1, 1]);
  const bare = Array.from({ length: 60 }, (_, i) => {
    const x = 70 + i * 0.737;
    const data = `M50 88H${x}A12 12 0 0 1 ${x} 112H50A12 12 0 0 1 50 88Z`;
    const round = { ...bar, shapes: [{ ...bar.shapes[0]!, data }] } as Art;
    const stroke = newStroke('s', 'S', line(50, 100, x, 100), ink(25));
    return { x, spots: measured(pieceOf(round, [stroke])).bare.length };
  });
  expect(bare.filter(({ spots }) => spots > 0)).toEqual([]);
});

test('bare spots say how they are mended: wider, longer, or fitted; and then they are gone', () => {
  const piece = pieceOf(art([50, 80, 300, 40]), [newStroke('s', 'S', line(70, 100, 260, 100), ink(30))]);
  const before = measured(piece);
  expect(before.share).toBeLessThan(0.9);
  const beyond = before.bare.find((spot) => spot.beyond === 'end')!;
  expect(beyond).toMatchObject({ stroke: 's' });
  expect(isFarBeyond(piece, beyond)).toBe(true);
  const longer = lengthenToCover(
    piece,
    before.bare.filter((spot) => isFarBeyond(piece, spot)),
  );
  const wider = widenToCover(longer, measured(longer).bare);
  expect(measured(wider).share).toBeGreaterThan(0.999);
  expect(measured(wider).bare).toEqual([]);
  const fitted = fitToCover(longer, measured(longer).needs, 1);
  expect(measured(fitted).share).toBeGreaterThan(0.999);
  expect(painted(fitted, 59) / (300 * 40)).toBeGreaterThan(0.999);
});

test('what a stroke uncovers before the one it belongs to is spill, with its place, frames and share; confined there is none', () => {
  const strokes = [
    newStroke('first', 'First', line(50, 60, 350, 60), ink(100)),
    newStroke('second', 'Second', line(50, 100, 350, 100), ink(40)),
  ];
  const timed = (p: Piece) =>
    applyManner(
      applyManner(p, ['first'], { kind: 'on', onAt: 0, onFrames: 10, easing: LINEAR }),
      ['second'],
      {
        kind: 'on',
        onAt: 20,
        onFrames: 10,
        easing: LINEAR,
      },
    );
  const two = art([50, 50, 300, 20], [50, 90, 300, 20]);
  const spilled = measured(timed(pieceOf(two, strokes)));
  expect(spilled.spills[0]).toMatchObject({ by: 'first', of: 'second' });
  // The first reaches to y = 110: all of the second bar, from as early as frame 0 until its own stroke comes.
  expect(spilled.spills[0]!.area).toBeGreaterThan(0.95 * 300 * 20);
  expect(Math.max(...spilled.overTime.map(({ early }) => early))).toBeGreaterThan(0.45);
  expect(spilled.overTime[35]!.early).toBeCloseTo(0, 6);
  const confined = measured(timed(pieceOf(two, strokes, true)), true);
  expect(confined.spills).toEqual([]);
  expect(confined.share).toBeGreaterThan(0.99);
});

test('strokes made for a shape uncover it all, and as little as may be of others too early', () => {
  // A cross: two bars that share their middle, and a bar of changing thickness beside it.
  const shape = art([40, 80, 160, 30], [105, 30, 30, 130], [240, 60, 60, 20], [300, 40, 60, 60]);
  const strokes = [
    newStroke('across', 'Across', line(50, 95, 190, 95), ink(20)),
    newStroke('down', 'Down', line(120, 40, 120, 150), ink(20)),
    newStroke('step', 'Step', line(250, 70, 350, 70), ink(16)),
  ];
  const piece = strokes.reduce(
    (p, s, i) => applyManner(p, [s.id], { kind: 'on', onAt: i * 12, onFrames: 12, easing: LINEAR }),
    pieceOf(shape, strokes),
  );
  const ids = strokes.map(({ id }) => id);
  const made = untilCovered(seenThroughStrokes(piece, 'art', ids, ids), ids, (all) =>
    coveredArt(shape, all, true, make),
  );
  expect(made.coverage!.share).toBeGreaterThan(0.999);
  const bare = { ...piece, layers: [shape] };
  expect(painted(made.piece, 59) / painted(bare, 59)).toBeGreaterThan(0.999);
  expect(Math.max(...made.coverage!.overTime.map(({ early }) => early))).toBeLessThan(0.03);
});

test('where letters stay, their strokes go with them', () => {
  const outline = 'M0 0L100 0L100 100L0 100Z';
  const lettering = (text: string, size: number, xs: readonly number[]) => ({
    type: 'lettering' as const,
    id: 'art',
    name: 'Word',
    hidden: false,
    locked: false,
    opacity: 1,
    colour: '#ffffff',
    x: 10,
    y: 20,
    setting: { text, face: { id: 'x', weight: 400 }, size, tracking: 0, leading: 1, align: 'left' as const },
    set: {
      outlines: { '1': outline },
      glyphs: xs.map((x, cluster) => ({ outline: '1', x, y: 0, cluster })),
      scale: size / 100,
      missing: [],
    },
  });
  const before = lettering('AB', 40, [0, 60]);
  const now = lettering('ACB', 80, [0, 120, 240]);
  const traced = { from: 'art', mark: 'x' };
  const strokes = [
    { ...newStroke('a', 'A', line(14, 40, 46, 40), ink(4)), traced },
    { ...newStroke('b', 'B', line(74, 40, 106, 40), ink(4)), traced },
  ];
  const piece = addLayers(newPiece('Letters'), [before, ...strokes]);
  const moved = strokesOf(withLettersMoved(piece, before, now));
  // B stood 60 px on and stands 240 on, at twice the size.
  expect(moved.map(({ path }) => path.points[0])).toMatchObject([
    { x: 18, y: 60 },
    { x: 258, y: 60 },
  ]);
});

/** A word in a shipped face, a shape a letter, as a reader of fonts independent of ours draws it. */
function wordArt(file: string, text: string): Art {
  const font = fontByOpentype(file);
  let x = 40;
  const shapes = [...text].map((letter) => {
    const glyph = font.charToGlyph(letter);
    const data = pathData(commandsOf(glyph.getPath(x, 260, 200).toPathData(3)));
    x += (glyph.advanceWidth * 200) / font.unitsPerEm;
    return { ...art([0, 0, 1, 1]).shapes[0]!, data };
  });
  return { ...art(), shapes };
}

test('words of shipped faces made to write themselves are wholly uncovered, with next to nothing seen too early', () => {
  for (const file of [
    'sacramento/400Regular/Sacramento_400Regular.ttf',
    'varela-round/400Regular/VarelaRound_400Regular.ttf',
    'work-sans/400Regular/WorkSans_400Regular.ttf',
  ]) {
    const word = wordArt(file, 'Tidewatchers');
    const found = traceInk(inkOf(partOutlines(word).flat()), TRACE_OPTIONS)!;
    const empty = addLayers(newPiece('Word', { width: 1500, height: 400 }, undefined, 80), [word]);
    let n = 0;
    const name = () => `S ${n}`;
    const traced = retrace(empty, found, {
      source: 'art',
      colour: '#000000',
      keepWidths: false,
      name,
      newId: () => `s${n++}`,
    });
    const timed = writeInSequence(traced.piece, traced.ids, 2, 50);
    const made = untilCovered(seenThroughStrokes(timed, 'art', traced.ids, traced.ids), traced.ids, (all) =>
      coveredArt(word, all, true, make),
    );
    expect([file, made.coverage!.share > 0.9995]).toEqual([file, true]);
    // No more than two thousandths for more than a frame.
    const early = made.coverage!.overTime.filter((at) => at.early > 0.002).length;
    expect([file, early <= 1]).toEqual([file, true]);
    const whole = painted({ ...empty, layers: [word] }, 79);
    expect(painted(made.piece, 79) / whole).toBeGreaterThan(0.999);
  }
});
