import { newStroke, type Ink, type Lettering, type Stroke } from '../src/core/document';
import type { Path } from '../src/core/geometry';
import data from './traced.json' with { type: 'json' };

interface TracedWord {
  readonly lettering: Lettering;
  readonly strokes: readonly {
    readonly name: string;
    readonly path: Path;
    readonly mark: string;
    readonly glyph?: number;
    readonly width: number;
    readonly widths?: NonNullable<Ink['widths']>;
    readonly cap: Ink['cap'];
  }[];
}

/** Lettering of the sample world with the strokes that Obelus found in it; scripts/trace-demo.ts made them. */
const WORDS = data as unknown as Record<string, TracedWord>;

/** The lettering itself, hidden under its strokes: to be changed and traced again. */
export const lettering = (word: string): Lettering => WORDS[word]!.lettering;

/** The strokes of a word, inked in a colour with the widths that were found. */
export const tracedStrokes = (word: string, colour = WORDS[word]!.lettering.colour): Stroke[] =>
  WORDS[word]!.strokes.map(({ name, path, mark, glyph, width, widths, cap }, i) => ({
    ...newStroke(`${word}-${i + 1}`, name, path, {
      width,
      colour,
      opacity: 1,
      cap,
      join: 'round',
      ...(widths && { widths }),
    }),
    traced: { from: word, mark, ...(glyph !== undefined && { glyph }) },
  }));
