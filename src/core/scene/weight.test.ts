import { commandsIn } from '../draw';
import { addEffect, addLayers, newPiece, newStroke } from '../document';
import { EFFECT_KINDS, newEffect } from '../effects';
import { corner } from '../geometry';
import { NEW_DASHES } from '../ink';
import { randomEffects, randomPiece, randomPlaced } from '../testing/random-pieces';
import { evaluate } from './evaluate';
import { posterFrame } from './poster-frame';
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
