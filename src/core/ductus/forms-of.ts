import { readForms, type Form } from './form';
import { ACCENTS, LATIN } from './latin';

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

/** The ways in which a hand writes a letter, the commonest first; none where it is not known. Accented letters are their letter, then the accent. */
export function formsOf(letter: string): readonly Form[] {
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
