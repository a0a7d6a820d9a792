import { arabicForms, arabicParts } from './arabic-forms';
import { devanagariForms, devanagariParts } from './devanagari-forms';
import { readForms, type Form } from './form';
import { ACCENTS, LATIN } from './latin';
import { positionIn, type Position } from './position';

const LETTERS = readForms(LATIN);
const MARKS = readForms(ACCENTS);

/** Accents over a capital stand higher, as tall as capitals are told. */
const raised = (form: Form, isTall: boolean): Form['movements'] =>
  isTall
    ? form.movements.map((movement) => ({
        ...movement,
        way: movement.way.map(({ x, y }) => ({ x, y: y < -1 ? y + 0.15 : y })),
      }))
    : form.movements;

/** The forms of a Latin letter; accented letters are their letter, then the accent. */
function latinForms(letter: string): readonly Form[] {
  const known = LETTERS.get(letter);
  if (known) return known;
  const [base, ...accents] = [...letter.normalize('NFD')];
  const signs = accents.map((sign) => MARKS.get(sign)?.[0]);
  if (base === undefined || signs.some((sign) => !sign)) return [];
  // A small letter that bears an accent over it loses its dot.
  const bare = { i: 'ı', j: 'ȷ' }[base] ?? base;
  const isTall = base === base.toUpperCase();
  return (LETTERS.get(bare) ?? LETTERS.get(base) ?? []).map((form) => ({
    ...form,
    movements: [
      ...form.movements.filter(({ name }) => name !== 'dot' || bare !== base),
      ...signs.flatMap((sign) => raised(sign!, isTall)),
    ],
  }));
}

/** A letter without its accents, and its accents alone. */
function latinParts(letter: string): readonly Form[] {
  const marked = latinForms(letter).filter(({ movements }) => movements.some(({ isMark }) => isMark));
  return marked.flatMap((form) =>
    [true, false].map((marks) => ({
      ...form,
      movements: form.movements.filter(({ isMark }) => isMark === marks),
    })),
  );
}

/** Whether a form may stand in a position: it may in any where none is said, of it or wanted. */
const isAt =
  (wanted: Position | undefined) =>
  ({ position }: Form): boolean =>
    wanted === undefined || position === undefined || position === wanted;

/**
 * The ways in which a hand writes a letter, the commonest first; none where it is not known.
 * @param position where it stands in a run of joined letters; all its forms where that is not said.
 */
export function formsOf(letter: string, position?: Position): readonly Form[] {
  for (const formsIn of [latinForms, arabicForms, devanagariForms]) {
    const forms = formsIn(letter);
    if (forms.length > 0) return forms.filter(isAt(position));
  }
  return [];
}

/** The forms of a letter that have another beside them in some of the positions, each name once. */
function choicesAmong(letter: string, positions: ReadonlySet<Position>): readonly Form[] {
  const forms = formsOf(letter).filter(
    (form, i, all) => all.findIndex(({ name }) => name === form.name) === i,
  );
  return forms.filter(
    (form) =>
      (form.position === undefined || positions.has(form.position)) &&
      forms.some((other) => other.name !== form.name && other.position === form.position),
  );
}

/** The letters of a text that a hand may write in several forms where they stand, each once, with those forms. */
export function formChoices(text: string): ReadonlyMap<string, readonly Form[]> {
  const standing = new Map<string, Set<Position>>();
  let from = 0;
  for (const letter of text) {
    const to = from + letter.length;
    standing.set(letter, (standing.get(letter) ?? new Set()).add(positionIn(text, from, to)));
    from = to;
  }
  const choices = [...standing].map(
    ([letter, positions]) => [letter, choicesAmong(letter, positions)] as const,
  );
  return new Map(choices.filter(([, forms]) => forms.length > 0));
}

/**
 * The ways in which a hand writes what a face may show of some letters by one glyph of several: a letter without its marks, its
 * marks alone, each letter of a syllable.
 */
export const formsOfParts = (letters: string, position?: Position): readonly Form[] =>
  [...latinParts(letters), ...arabicParts(letters), ...devanagariParts(letters)].filter(isAt(position));
