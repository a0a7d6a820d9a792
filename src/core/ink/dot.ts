import type { PathCommand } from '../geometry';

/** Handle length of a quarter circle as a cubic, as a share of the radius: 4/3·(√2 − 1). */
const QUARTER = (4 / 3) * (Math.SQRT2 - 1);

/** A filled circle as four cubics: what a round cap makes of a stroke without length (SVG 2, 13.5.4). */
export function disc(x: number, y: number, radius: number): PathCommand[] {
  const k = radius * QUARTER;
  return [
    ['M', x + radius, y],
    ['C', x + radius, y + k, x + k, y + radius, x, y + radius],
    ['C', x - k, y + radius, x - radius, y + k, x - radius, y],
    ['C', x - radius, y - k, x - k, y - radius, x, y - radius],
    ['C', x + k, y - radius, x + radius, y - k, x + radius, y],
    ['Z'],
  ];
}

/** A filled upright square: what a square cap makes of a stroke without length (SVG 2, 13.5.4). */
export const square = (x: number, y: number, half: number): PathCommand[] => [
  ['M', x - half, y - half],
  ['L', x + half, y - half],
  ['L', x + half, y + half],
  ['L', x - half, y + half],
  ['Z'],
];
