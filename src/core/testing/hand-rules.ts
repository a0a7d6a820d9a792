import type { Point } from '../geometry';

/**
 * How a hand writes letters, as places that it comes to in order: told apart from the table that tracing goes by, so that one can
 * be held against the other. Across from 0 at the left of a letter's ink to 100 at its right; up from the line of writing, 100 the
 * height of small letters for those and of capitals for the rest. Several ways are parted by `|`: any of them will do.
 *
 * Order and direction as school models of print and cursive writing teach them, written from memory: bowls of a, d, g, q, o
 * against the clock from their upper right, before their stems; stems of b, p, P, R, B, D down before their bowls, which go with
 * the clock; stems of i, j, t, f before dots and bars; capitals' stems from the top, bars from the left; s, c, e, z, 2, 3, 5, 7
 * from their usual beginnings.
 */
const RULES: Record<string, string> = {
  a: '80,85 8,50 45,5 97,0! | 60,90 5,50 25,5 95,45 | 60,90 5,50 25,5 60,90 | 12,80 88,65 95,8 6,25',
  b: '10,150 8,20 92,50 | 50,150 12,60 50,5 90,50',
  c: '85,85 6,50 80,10 | 50,85 6,50 50,5',
  d: '75,85 8,45 40,5 95,150 95,20 | 55,65 5,30 25,5 75,140 70,20 | 55,60 8,25 10,4 90,150 55,10 | 25,95 5,35 35,8 65,140 70,5 | 70,90 5,36 40,0 30,135',
  e: '30,58 88,65 50,98 6,50 50,5 | 20,40 60,72 40,98 8,50 40,5',
  f: '85,150 50,60 | 50,150 40,-30 | 15,130 10,-40 60,-60 15,30',
  g: '80,85 8,50 45,5 85,-40 20,-55 | 60,95 10,70 45,45 80,70 90,-25 10,-40 | 80,85 8,50 60,-50 | 50,85 5,50 25,10 50,-45 10,-50',
  h: '10,150 8,10 60,90 92,10 | 45,150 12,10 60,90 85,10',
  i: '40,85 50,10 | 15,90 25,10',
  j: '60,85 50,-10 | 80,85 75,-10',
  k: '10,150 8,10 85,90 92,8 | 8,150 8,10 50,60 85,10 | 45,150 12,10 60,80 85,10',
  l: '40,140 35,25 | 12,140 15,25 | 50,150 20,20',
  m: '6,90 5,10 48,10 92,10',
  n: '8,90 8,10 92,60',
  o: '70,92 6,50! 50,4 94,50 | 45,95 5,50! 30,5! 90,75 | 40,95 5,50! 20,5! 95,60 | 35,88 5,50! 40,5! 55,95 90,65',
  p: '10,90 10,-45 92,50',
  q: '80,85 8,50 45,5 95,-45 | 50,85 5,50 25,10 55,-45',
  r: '20,85 20,20 80,88 | 12,50 12,95 40,75 45,15 | 10,30 35,90 45,70 45,5 | 25,90 70,85 75,20',
  s: '85,85 15,75 50,50 85,25 10,12 | 20,95 42,45 60,5 | 50,95 70,40 10,10 | 45,88 62,30 45,15 90,20 | 58,88 85,45 75,5',
  t: '40,125 40,20',
  u: '8,90 30,5 95,95 | 8,90 15,5 50,90 80,10',
  v: '6,90 45,8 90,90 | 6,90 30,8 60,95',
  w: '6,90 28,8 72,8 92,90 | 6,90 15,6 50,6 75,95',
  x: '15,85 85,12',
  y: '8,85 85,85 25,-25 | 8,90 15,25 50,90 15,-50 | 8,85 85,85 90,-50',
  z: '10,95 85,92 12,8 85,2 | 10,85 70,60 30,10 50,-40',
  A: '48,92 6,8 94,8 | 10,10 50,90 85,10 | 5,10 85,92 85,8',
  B: '8,92 8,10 75,75 90,25 | 45,90 10,10 75,75 85,25',
  C: '85,85 6,50 85,14',
  D: '8,92 8,10 95,50 | 8,92 8,10 95,40 20,5 | 55,80 40,30 30,10 95,40 50,95 8,75 | 25,65 20,10 40,90 95,45 30,5',
  E: '8,92 8,10 90,3 | 85,90 10,75 35,52 6,25 85,10',
  F: '8,92 8,10 8,95 90,95 | 15,90 90,85 70,45 45,0 | 60,90 40,5 5,65 90,95',
  G: '85,85 6,50 50,4 90,35',
  H: '8,92 8,10 92,92 92,10 8,50 92,50 | 55,85 40,10 90,90 90,10 45,50 95,50',
  I: '50,90 50,10',
  J: '80,90 75,30 15,12 | 70,90 66,20 15,-20',
  K: '8,92 8,10 85,90 92,8 | 8,75 35,85 35,15 80,90 88,10 | 8,92 8,10 62,90 60,5',
  L: '10,92 10,15 85,5 | 70,90 40,20 90,8',
  M: '10,10 50,20 90,10 | 10,10 50,50 90,10',
  N: '8,92 8,10 92,12 | 8,92 8,10 92,92 | 5,15 55,88 75,8 95,95',
  O: '60,95 6,50 50,4 94,50',
  P: '8,92 8,10 88,72 | 45,90 10,10 90,72',
  Q: '60,95 6,50 50,4 94,50 | 15,20 2,70 48,97 72,40 45,0! 30,10! 90,-5 | 35,95 5,60 30,0 60,60',
  R: '8,92 8,10 80,75 92,8 | 50,85 40,10 10,75 85,75 90,10',
  S: '85,85 15,72 50,50 85,28 10,14',
  T: '50,90 50,10 5,95 95,95 | 70,90 40,10 30,80 85,92',
  U: '6,90 50,4 94,90 | 10,90 65,0 85,55',
  V: '6,90 48,8 94,90',
  W: '5,90 27,10 73,10 95,90',
  X: '8,92 92,8',
  Y: '8,92 92,92 48,10 | 8,92 92,92 20,10 | 15,85 50,8 88,75 70,-35',
  Z: '8,95 90,92 10,8 90,5',
  0: '60,95 6,50 50,4 94,50',
  1: '70,88 60,10',
  2: '15,80 50,96 80,65 15,8 85,4',
  3: '12,88 50,95 50,52 88,28 12,12',
  4: '60,90 10,32 80,30',
  5: '20,92 15,58 88,35 12,10',
  6: '75,92 8,40 50,4 90,30',
  7: '8,95 88,92 32,8',
  8: '50,96 50,52 50,4',
  9: '90,75 50,96 8,70 50,45',
};

/** A letter's strokes in their order, as places on their way, in the measures of the rules. */
type WrittenLetter = readonly (readonly Point[])[];

/** A hand is at a place where it is within this of it, in heights of small letters or widths of the letter; `!` asks for less. */
const NEAR = 0.3;
const NEARER = 0.2;

/** Whether a hand comes to the places of a rule one after another. */
function comesTo(letter: WrittenLetter, rule: string): boolean {
  const way = letter.flat();
  let at = -1;
  return rule
    .trim()
    .split(/\s+/)
    .every((place) => {
      const [x, y] = place
        .replace('!', '')
        .split(',')
        .map((n) => Number(n) / 100) as [number, number];
      const near = place.endsWith('!') ? NEARER : NEAR;
      at = way.findIndex((p, i) => i > at && Math.hypot(p.x - x, p.y - y) < near);
      return at >= 0;
    });
}

/** Whether a letter is written as its rule says; null where there is no rule for it. */
export function keepsRule(letter: string, written: WrittenLetter): boolean | null {
  const rule = RULES[letter];
  if (rule === undefined) return null;
  return rule.split('|').some((one) => comesTo(written, one));
}
