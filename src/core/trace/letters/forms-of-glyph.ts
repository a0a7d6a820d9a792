import type { Lettering } from '../../document';
import { formsOf, formsOfParts, isJoinedScript, positionIn, type Form, type Position } from '../../ductus';
import type { Letter } from './letters-in';

/** How a person wants letters to be written: the name of a form for each that was chosen. */
export type ChosenForms = Lettering['setting']['ductus'];

/** So many forms of each letter that is joined with others in one glyph, and so many letters in it, are tried in all combinations. */
const FORMS_OF_EACH = 4;
const MOST_JOINED = 3;

/** The forms of letters that one glyph shows side by side (fi), in all combinations. */
function sideBySide(forms: readonly (readonly Form[])[], fromRight: boolean): readonly Form[] {
  const count = forms.length;
  if (count < 2 || count > MOST_JOINED) return [];
  const besides = (form: Form, i: number): Form['movements'] =>
    form.movements.map((movement) => ({
      ...movement,
      way: movement.way.map(({ x, y }) => ({ x: ((fromRight ? count - 1 - i : i) * 1.25 + x) / count, y })),
    }));
  return forms
    .map((each) => each.slice(0, FORMS_OF_EACH))
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

const JOINER = '\u200d';

/** The letters of a ligature, each with its position in the run of joined letters that the ligature has a position in. */
function lettersJoined(text: string, position: Position): { letter: string; at: Position }[] {
  const begins = position === 'medial' || position === 'final' ? JOINER : '';
  const whole = `${begins}${text}${position === 'medial' || position === 'initial' ? JOINER : ''}`;
  let from = begins.length;
  return [...text].map((letter) => {
    const at = positionIn(whole, from, from + letter.length);
    from += letter.length;
    return { letter, at };
  });
}

const hasBody = ({ movements }: Form): boolean => movements.some(({ isMark }) => !isMark);

/** The forms of what one glyph shows: of a letter, of a part of it, or of letters joined in one. */
export function formsOfGlyph(
  { text, part, position }: Pick<Letter, 'text' | 'part' | 'position'>,
  chosen: ChosenForms,
): readonly Form[] {
  const formsFor = (letter: string, at: Position): readonly Form[] => {
    const forms = formsOf(letter, at);
    const wanted = forms.filter(({ name }) => name === chosen?.[letter.normalize('NFC')]);
    return wanted.length > 0 ? wanted : forms;
  };
  const known = formsFor(text, position);
  const parts = part !== 'all' || known.length === 0 ? formsOfParts(text, position) : [];
  if (part === 'marks') return parts.filter((form) => !hasBody(form));
  const some = part === 'body' ? parts.filter(hasBody) : parts;
  if (some.length > 0) return some;
  if (known.length > 0) return known;
  const letters = lettersJoined(text.normalize('NFC'), position);
  return sideBySide(
    letters.map(({ letter, at }) => formsFor(letter, at)),
    isJoinedScript(text),
  );
}
