/** Where a letter stands in a run of joined letters, by the names that Unicode has for its shapes there. */
export type Position = 'isolated' | 'initial' | 'medial' | 'final';

export const POSITIONS: readonly Position[] = ['isolated', 'initial', 'medial', 'final'];

/** Letters that are joined to the one before them but not to the one after: Unicode's joining type R, of the letters in common use. */
const JOINED_BEFORE = 'اأإآٱدذڈرزژڑوؤةے';
/** A letter that is joined to none (type U). */
const JOINED_TO_NONE = 'ء';
/** Tatweel and the zero-width joiner join on both sides (type C). */
const JOINS = 'ـ\u200d';

const isMark = (sign: string): boolean => /\p{M}/u.test(sign);
const isArabicLetter = (sign: string): boolean => /\p{Script=Arabic}/u.test(sign) && /\p{L}/u.test(sign);
const joinsBefore = (sign: string): boolean =>
  JOINS.includes(sign) || (isArabicLetter(sign) && !JOINED_TO_NONE.includes(sign));
const joinsAfter = (sign: string): boolean => joinsBefore(sign) && !JOINED_BEFORE.includes(sign);

/** Whether letters of a text join by the rules of their script, whatever a face makes of them. */
export const isJoinedScript = (text: string): boolean => [...text].some(isArabicLetter);

/** The first sign of a text from a place on that is no mark over another; a space where there is none. */
function signAfter(text: string, from: number): string {
  for (let i = from; i < text.length;) {
    const sign = String.fromCodePoint(text.codePointAt(i)!);
    if (!isMark(sign)) return sign;
    i += sign.length;
  }
  return ' ';
}

/** And the last before a place. */
function signBefore(text: string, to: number): string {
  for (let i = to - 1; i >= 0; i--) {
    // The second half of a sign of two units is no sign.
    if (/[\udc00-\udfff]/.test(text[i]!) && i > 0) i--;
    const sign = String.fromCodePoint(text.codePointAt(i)!);
    if (!isMark(sign)) return sign;
  }
  return ' ';
}

/**
 * The position in its run of joined letters of what stands in a text from one place to another (Unicode Standard, 9.2, cursive
 * joining: signs over letters are looked through). Letters of other scripts stand alone.
 * @param from index of its first unit in the text; `to` of the first unit after it.
 */
export function positionIn(text: string, from: number, to: number): Position {
  const own = [...text.slice(from, to)].filter((sign) => !isMark(sign));
  // A joiner that was put with its letter stands before or after that letter nevertheless.
  const first = own.findIndex((sign) => !JOINS.includes(sign));
  const last = own.findLastIndex((sign) => !JOINS.includes(sign));
  if (first < 0) return 'isolated';
  const before = own[first - 1] ?? signBefore(text, from);
  const after = own[last + 1] ?? signAfter(text, to);
  const begins = joinsAfter(before) && joinsBefore(own[first]!);
  const goesOn = joinsAfter(own[last]!) && joinsBefore(after);
  if (begins) return goesOn ? 'medial' : 'final';
  return goesOn ? 'initial' : 'isolated';
}
