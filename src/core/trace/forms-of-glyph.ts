import { formsOf, formsOfParts, isJoinedScript, type Form } from '../ductus';
import type { Lettering } from '../document';
import type { Letter } from './letters-in';

/** How a person wants letters to be written: the name of a form for each that was chosen. */
export type ChosenForms = Lettering['setting']['ductus'];

/** So many forms of each letter that is joined with others in one glyph, and so many letters in it, are tried in all combinations. */
const FORMS_OF_EACH = 4;
const MOST_JOINED = 3;

/** The forms of letters that one glyph shows side by side (fi), in all combinations. */
function sideBySide(
  letters: readonly string[],
  formsFor: (letter: string) => readonly Form[],
): readonly Form[] {
  const count = letters.length;
  if (count < 2 || count > MOST_JOINED) return [];
  const fromRight = isJoinedScript(letters[0]!);
  const besides = (form: Form, i: number): Form['movements'] =>
    form.movements.map((movement) => ({
      ...movement,
      way: movement.way.map(({ x, y }) => ({ x: ((fromRight ? count - 1 - i : i) * 1.25 + x) / count, y })),
    }));
  return letters
    .map((letter) => formsFor(letter).slice(0, FORMS_OF_EACH))
    .reduce<readonly Form[]>(
      (all, each, i) =>
        all.flatMap((before) =>
          each.map((form) => ({
            name: i === 0 ? form.name : `${before.name}; ${form.name}`,
            isFlourish: before.isFlourish || form.isFlourish,
            movements: [...before.movements, ...besides(form, i)],
          })),
        ),
      [{ name: '', isFlourish: false, movements: [] }],
    );
}

const hasBody = ({ movements }: Form): boolean => movements.some(({ isMark }) => !isMark);

/** The forms of what one glyph shows: of a letter, of a part of it, or of letters joined in one. */
export function formsOfGlyph(
  { text, part, position }: Pick<Letter, 'text' | 'part' | 'position'>,
  chosen: ChosenForms,
): readonly Form[] {
  const formsFor = (letter: string): readonly Form[] => {
    const forms = formsOf(letter, letter === text ? position : undefined);
    const wanted = forms.filter(({ name }) => name === chosen?.[letter.normalize('NFC')]);
    return wanted.length > 0 ? wanted : forms;
  };
  const known = formsFor(text);
  const parts = part !== 'all' || known.length === 0 ? formsOfParts(text, position) : [];
  if (part === 'marks') return parts.filter((form) => !hasBody(form));
  const some = part === 'body' ? parts.filter(hasBody) : parts;
  if (some.length > 0) return some;
  return known.length > 0 ? known : sideBySide([...text.normalize('NFC')], formsFor);
}
