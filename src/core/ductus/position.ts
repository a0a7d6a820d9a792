/** Where a letter stands in a run of joined letters, by the names that Unicode has for its shapes there. */
export type Position = 'isolated' | 'initial' | 'medial' | 'final';

export const POSITIONS: readonly Position[] = ['isolated', 'initial', 'medial', 'final'];

/** Letters that are joined to the one before them but not to the one after: Unicode's joining type R, of the letters that are told. */
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

/**
 * The position in its run of joined letters of what stands in a text from one place to another (Unicode Standard, 9.2, cursive
 * joining: signs over letters are looked through). Letters of other scripts stand alone.
 * @param from index of its first unit in the text; `to` of the first unit after it.
 */
export function positionIn(text: string, from: number, to: number): Position {
  const looked = (part: string): string[] => [...part].filter((sign) => !isMark(sign));
  const own = looked(text.slice(from, to));
  // A joiner that was put with its letter stands before or after that letter nevertheless.
  const first = own.findIndex((sign) => !JOINS.includes(sign));
  const last = own.findLastIndex((sign) => !JOINS.includes(sign));
  if (first < 0) return 'isolated';
  const before = [...looked(text.slice(0, from)), ...own.slice(0, first)].at(-1) ?? ' ';
  const after = [...own.slice(last + 1), ...looked(text.slice(to))][0] ?? ' ';
  const begins = joinsAfter(before) && joinsBefore(own[first]!);
  const goesOn = joinsAfter(own[last]!) && joinsBefore(after);
  if (begins) return goesOn ? 'medial' : 'final';
  return goesOn ? 'initial' : 'isolated';
}
