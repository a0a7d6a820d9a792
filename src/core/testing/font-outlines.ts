import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { parse } from 'opentype.js';
import { commandsOf, type PathCommand } from '../geometry';

/** A shipped font as opentype.js reads it: a reader independent of ours. */
export function fontByOpentype(file: string): ReturnType<typeof parse> {
  const bytes = readFileSync(resolve('node_modules/@expo-google-fonts', file));
  return parse(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength));
}

/** A text's outlines, letter by letter without kerning, at a size in pixels. */
export function outlinesByOpentype(file: string, text: string, size: number): PathCommand[] {
  const font = fontByOpentype(file);
  let x = 0;
  return [...text].flatMap((letter) => {
    const glyph = font.charToGlyph(letter);
    const data = glyph.getPath(x, 0, size).toPathData(3);
    x += (glyph.advanceWidth * size) / font.unitsPerEm;
    return commandsOf(data);
  });
}
