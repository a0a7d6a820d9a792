import {
  commandsBounds,
  commandsOf,
  compose,
  IDENTITY,
  rotation,
  scaling,
  transformCommands,
  translation,
  unite,
  type Matrix,
  type PathCommand,
} from '../../geometry';
import type { Lettering, LetterSetting } from '../schema';

type Set = Pick<Lettering, 'set' | 'setting' | 'x' | 'y'>;

/** How the letter that a glyph belongs to is set unlike the others; undefined where it is set as they are. */
export const letterOf = (
  { setting }: Pick<Lettering, 'setting'>,
  cluster: number,
): LetterSetting | undefined => setting.letters?.find(({ at }) => at === cluster);

/** Each glyph where its line puts it. */
const inLine = ({ set, x, y }: Set): Matrix[] =>
  set.glyphs.map((glyph) => compose(translation(x + glyph.x, y + glyph.y), scaling(set.scale)));

/** What moves, turns and scales a letter that is set unlike the others, about the middle of its ink. */
function apart(letter: LetterSetting, ink: readonly (readonly PathCommand[])[]): Matrix {
  const box = unite(ink.flatMap((commands) => commandsBounds(commands) ?? []));
  if (!box) return IDENTITY;
  const [cx, cy] = [(box.left + box.right) / 2, (box.top + box.bottom) / 2];
  const turned = compose(rotation(letter.rotation ?? 0), scaling(letter.scale ?? 1));
  return compose(
    translation(cx + (letter.x ?? 0), cy + (letter.y ?? 0)),
    compose(turned, translation(-cx, -cy)),
  );
}

const outline = ({ set }: Set, glyph: number, matrix: Matrix): PathCommand[] =>
  transformCommands(commandsOf(set.outlines[set.glyphs[glyph]!.outline] ?? ''), matrix);

/** From the units of each glyph's outline to the piece, letters that are set unlike the others as they are set. */
export function glyphMatrices(lettering: Set): Matrix[] {
  const plain = inLine(lettering);
  const { letters } = lettering.setting;
  if (!letters || letters.length === 0) return plain;
  const { glyphs } = lettering.set;
  const moves = new Map(
    letters.map((letter) => {
      const own = glyphs.flatMap(({ cluster }, i) => (cluster === letter.at ? [i] : []));
      return [
        letter.at,
        apart(
          letter,
          own.map((i) => outline(lettering, i, plain[i]!)),
        ),
      ] as const;
    }),
  );
  return plain.map((matrix, i) => {
    const move = moves.get(glyphs[i]!.cluster);
    return move ? compose(move, matrix) : matrix;
  });
}

/** The outlines of lettering in piece pixels, letter by letter. */
export const letterOutlines = (lettering: Set): PathCommand[][] =>
  glyphMatrices(lettering).map((matrix, i) => outline(lettering, i, matrix));
