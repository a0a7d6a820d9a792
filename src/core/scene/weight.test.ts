import { commandsIn } from '../draw';
import { addEffect, addLayers, newPiece, newStroke, type Stroke } from '../document';
import { EFFECT_KINDS, newEffect } from '../effects';
import { corner } from '../geometry';
import { NEW_DASHES } from '../ink';
import { randomEffects, randomPiece, randomPlaced, randomReveals } from '../testing/random-pieces';
import { evaluate } from './evaluate';
import { posterFrame } from './poster-frame';
import { roughOf } from './rough';
import { weightOf } from './weight';

test('the weight of a piece is of the order of what its picture is made of, known before it is made', () => {
  for (const piece of [1, 2, 3, 4, 5].flatMap((seed) => [
    randomPiece(seed),
    randomPlaced(seed),
    randomEffects(seed),
  ])) {
    const made = commandsIn(evaluate(piece, posterFrame(piece)).items);
    const ratio = weightOf(piece) / made;
    expect([piece.name, ratio > 1 / 15 && ratio < 40]).toEqual([piece.name, true]);
  }
});

test('it grows with points, dashes, and with how often effects repeat them', () => {
  const path = { closed: false, points: Array.from({ length: 100 }, (_, i) => corner(i * 10, (i % 2) * 10)) };
  const plain = addLayers(newPiece('P'), [newStroke('s', 'S', path)]);
  const dashed = addLayers(newPiece('P'), [
    {
      ...newStroke('s', 'S', path),
      ink: { ...newStroke('s', 'S', path).ink, dashes: { ...NEW_DASHES, unit: 'px', pattern: [1, 1] } },
    },
  ]);
  const copies = EFFECT_KINDS.find(({ name }) => name === 'Copies')!;
  const copied = addEffect(plain, ['s'], newEffect(copies, 1));
  expect(weightOf(plain)).toBe(100);
  expect(weightOf(dashed)).toBeGreaterThan(1000);
  expect(weightOf(copied)).toBe(800);
  expect(weightOf(addEffect(copied, ['s'], newEffect(copies, 1)))).toBe(6400);
});

test('a rough piece is within what it may take, with what it is of where that fits, and its picture too', () => {
  const pieces = [1, 2, 3, 4].flatMap((seed) => [
    randomPiece(seed),
    randomPlaced(seed),
    randomEffects(seed),
    randomReveals(seed),
  ]);
  for (const piece of pieces) {
    expect(roughOf(piece, weightOf(piece))).toBe(piece);
    for (const share of [0.5, 0.05, 0.001]) {
      const most = 100 + weightOf(piece) * share;
      const rough = roughOf(piece, most);
      const made = commandsIn(evaluate(rough, posterFrame(piece)).items);
      expect([
        piece.name,
        share,
        weightOf(rough) < most + 2 * piece.layers.length,
        made < 20 * most + 2000,
      ]).toEqual([...[piece.name, share, true, true]]);
    }
  }
});

test('a rough piece leaves out what repeats before what is repeated, and light layers last', () => {
  const path = { closed: false, points: Array.from({ length: 100 }, (_, i) => corner(i * 10, (i % 2) * 10)) };
  const line = { closed: false, points: [corner(0, 0), corner(50, 50), corner(90, 0)] };
  const copies = EFFECT_KINDS.find(({ name }) => name === 'Copies')!;
  const heavy = addEffect(
    addLayers(newPiece('P'), [newStroke('s', 'S', path), newStroke('t', 'T', line)]),
    ['s'],
    newEffect(copies, 1),
  );
  expect(roughOf(heavy, 200)).toEqual(
    addLayers(newPiece('P'), [
      {
        ...heavy.layers[0]!,
        effects: heavy.layers[0]!.effects!.map((effect) => ({ ...effect, on: false })),
      },
      newStroke('t', 'T', line),
    ]),
  );
  const [first, second] = roughOf(heavy, 50).layers as [Stroke, Stroke];
  expect([first.path.points.length, second.path.points.length]).toEqual([2, 3]);
});
