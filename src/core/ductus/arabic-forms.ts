import type { Point } from '../geometry';
import { readForms, type Form, type Movement } from './form';
import { ARABIC_BODIES, ARABIC_FIGURES, ARABIC_LETTERS, ARABIC_SIGNS, ARABIC_VOWELS } from './arabic';
import { POSITIONS, type Position } from './position';

const BODIES = readForms(ARABIC_BODIES);
const SIGNS = readForms(ARABIC_SIGNS);
const VOWELS = readForms(ARABIC_VOWELS);
const FIGURES = readForms(ARABIC_FIGURES);

/** Vowels that stand under their letter: kasra, kasratan, hamza below. */
const UNDER = '\u0650\u064d\u0655';
/** How far a sign stands from the one before it on the same side. */
const STACKED = 0.45;

type Side = 'above' | 'below';

/** A letter in the table: its body, and the sign on one side of it. */
interface Told {
  readonly body: string;
  readonly sign: string | null;
  readonly side: Side;
  readonly positions: readonly Position[];
}

function readLetters(table: string): Map<string, readonly Told[]> {
  const letters = new Map<string, Told[]>();
  for (const line of table.split('\n').filter((one) => one.trim() !== '')) {
    const [letter, body, signed = 'none', only] = line.split(/ {2,}/) as [string, string, string?, string?];
    const [sign, side] = signed.split(' ') as [string, Side?];
    const positions = only ? (only.split(', ') as Position[]) : POSITIONS;
    const told = { body, sign: side ? sign : null, side: side ?? ('above' as const), positions };
    letters.set(letter, [...(letters.get(letter) ?? []), told]);
  }
  return letters;
}
const LETTERS = readLetters(ARABIC_LETTERS);

const isAnchor = ({ name }: Movement): boolean => name === 'above' || name === 'below';

/** Where a sign stands where a body does not say. */
const USUAL: Record<Side, Point> = { above: { x: 0.5, y: -1.25 }, below: { x: 0.5, y: 0.35 } };

/** The places where a sign may stand on a side of a body. */
function placesFor(body: Form, side: Side): readonly Point[] {
  const told = body.movements.filter(({ name }) => name === side).map(({ way }) => way[0]!);
  return told.length > 0 ? told : [USUAL[side]];
}

const positionOf = ({ name }: Form): Position =>
  POSITIONS.find((position) => name.startsWith(position)) ?? 'isolated';

/** A sign's movements where it stands. */
const standing = (sign: Form, x: number, y: number): Movement[] =>
  sign.movements.map((movement) => ({
    ...movement,
    way: movement.way.map((p) => ({ x: p.x + x, y: p.y + y })),
  }));

/** All that a letter's body and signs may look like together. */
function withSigns(body: Form, signs: readonly (readonly [readonly Form[], Side])[]): Form[] {
  const bare = { ...body, movements: body.movements.filter((movement) => !isAnchor(movement)) };
  return signs.reduce<Form[]>(
    (all, [forms, side], i) => {
      const before = signs.slice(0, i).filter(([, other]) => other === side).length;
      const off = before * STACKED * (side === 'above' ? -1 : 1);
      return all.flatMap((one) =>
        forms.flatMap((sign) =>
          placesFor(body, side).map(({ x, y }) => ({
            ...one,
            movements: [...one.movements, ...standing(sign, x, y + off)],
          })),
        ),
      );
    },
    [bare],
  );
}

const signsIn = (letter: string): { base: string; signs: string[] } => {
  const [base = '', ...signs] = [...letter.normalize('NFD')];
  return { base, signs };
};

/** The forms of a letter of Arabic writing with its dots, hamza and vowels; none where it is not known. */
export function arabicForms(letter: string): readonly Form[] {
  const figure = FIGURES.get(letter);
  if (figure) return figure;
  const whole = LETTERS.get(letter);
  const { base, signs } = whole ? { base: letter, signs: [] } : signsIn(letter);
  const vowels = signs.map((sign) => VOWELS.get(sign));
  if (vowels.includes(undefined)) return [];
  return (LETTERS.get(base) ?? []).flatMap(({ body, sign, side, positions }) =>
    (BODIES.get(body) ?? [])
      .map((form) => ({ ...form, position: positionOf(form) }))
      .filter(({ position }) => positions.includes(position))
      .flatMap((form) => {
        const own = sign ? [[SIGNS.get(sign)!, side] as const] : [];
        const over = vowels.map(
          (forms, i) => [forms!, UNDER.includes(signs[i]!) ? 'below' : 'above'] as const,
        );
        return withSigns(form, [...own, ...over]);
      }),
  );
}

/**
 * Forms of what faces may show of a letter by one glyph of several: the letter without its vowels, its body alone, each of its signs,
 * and all signs together.
 */
export function arabicParts(letter: string): readonly Form[] {
  const { base, signs } = LETTERS.has(letter) ? { base: letter, signs: [] } : signsIn(letter);
  const whole = signs.length > 0 ? arabicForms(base) : [];
  const parts = arabicForms(letter).flatMap((form) => {
    const marks = form.movements.filter(({ isMark }) => isMark);
    if (marks.length === 0) return [];
    const part = (movements: readonly Movement[]): Form => ({ ...form, movements });
    const body = part(form.movements.filter(({ isMark }) => !isMark));
    return [body, part(marks), ...(marks.length > 1 ? marks.map((mark) => part([mark])) : [])];
  });
  return [...whole, ...parts];
}
