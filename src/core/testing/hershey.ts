import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { resolve } from 'node:path';
import type { Point } from '../geometry';

/** One letter of a single-line face as polylines, in units of the face (y downward). */
export interface LineLetter {
  readonly face: string;
  readonly letter: string;
  readonly lines: readonly (readonly Point[])[];
  /** Height of the capitals, units. */
  readonly capHeight: number;
}

/** Single-line faces of the package hersheytext with known centre-lines: upright, running and geometric. */
export const LINE_FACES = [
  'HersheySans1',
  'HersheyScript1',
  'EMSReadability',
  'EMSTech',
  'EMSNixish',
] as const;

/** Letters and figures of a single-line face (an SVG font): known centre-lines to trace back. */
export function lineLetters(face: string, letters: string): LineLetter[] {
  const file = createRequire(resolve('package.json')).resolve(`hersheytext/svg_fonts/${face}.svg`);
  const source = readFileSync(file, 'utf8');
  const glyph = (letter: string): string => {
    const found = new RegExp(`<glyph unicode="${letter}"[^>]*? d="([^"]*)"`).exec(source);
    return found ? found[1]! : '';
  };
  const lines = (letter: string): Point[][] =>
    glyph(letter)
      .split('M')
      .filter((part) => part.trim() !== '')
      .map((part) => {
        const n = (part.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);
        return Array.from({ length: n.length / 2 }, (_, i) => ({ x: n[2 * i]!, y: -n[2 * i + 1]! }));
      });
  const ys = lines('H')
    .flat()
    .map((p) => p.y);
  const capHeight = Math.max(...ys) - Math.min(...ys);
  return [...letters].map((letter) => ({ face, letter, lines: lines(letter), capHeight }));
}
