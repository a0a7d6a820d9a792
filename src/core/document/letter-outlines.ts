import { commandsOf, compose, scaling, transformCommands, translation, type PathCommand } from '../geometry';
import type { Lettering } from './schema';

/** The outlines of lettering in piece pixels, letter by letter. */
export const letterOutlines = ({ set, x, y }: Pick<Lettering, 'set' | 'x' | 'y'>): PathCommand[][] =>
  set.glyphs.map((glyph) =>
    transformCommands(
      commandsOf(set.outlines[glyph.outline] ?? ''),
      compose(translation(x + glyph.x, y + glyph.y), scaling(set.scale)),
    ),
  );
