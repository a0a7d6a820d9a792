import { z } from 'zod';

export const NAME_LENGTH = 120;

const CONTROL = /[\u0000-\u001f\u007f]/;
/** Half of a surrogate pair: no character, and nothing that a database of Unicode text can hold. */
const HALF = /\p{Cs}/gu;
/** Signs that show nothing: spaces of all kinds, controls, joiners, fillers, and the blank Braille pattern. */
const INVISIBLE = /[\p{Z}\p{C}\p{Default_Ignorable_Code_Point}\u2800]/gu;

/** Whether a text holds only whole characters, as PostgreSQL and UTF-8 can. */
export const isWholeText = (text: string): boolean => !/\p{Cs}/u.test(text) && !text.includes('\u0000');

/** A name people read: something to be seen, no control characters, no half of one, never used as a file path. */
export const nameSchema = z
  .string()
  .trim()
  .min(1)
  .max(NAME_LENGTH)
  .refine((name) => !CONTROL.test(name), { message: 'must not hold control characters' })
  .refine((name) => !/\p{Cs}/u.test(name), { message: 'must not hold half of a character' })
  .refine((name) => name.replace(INVISIBLE, '') !== '', { message: 'must hold something that can be seen' });

const characters = new Intl.Segmenter('en', { granularity: 'grapheme' });

/** As many whole characters of a text, as a reader counts them (Unicode UAX #29), as fit in `most` UTF-16 units. */
export function cutText(text: string, most: number): string {
  const whole = text.replace(HALF, '');
  if (whole.length <= most) return whole;
  let end = 0;
  for (const { segment } of characters.segment(whole)) {
    if (end + segment.length > most) break;
    end += segment.length;
  }
  return whole.slice(0, end);
}

/**
 * A text as a name may hold it: whole characters, no control characters.
 * @param most length in UTF-16 units, as the schema counts.
 * @param otherwise what it is called where nothing to be seen is left.
 */
export function cutName(text: string, most: number = NAME_LENGTH, otherwise = 'Untitled'): string {
  const cut = cutText(text.replace(new RegExp(CONTROL, 'g'), ' ').trim(), most).trimEnd();
  return cut.replace(INVISIBLE, '') === '' ? otherwise : cut;
}

/** What lettering is called after its text: its first words, in one line. */
export const nameOfText = (text: string): string => cutName(text.replace(/\s+/g, ' '), 60, 'Lettering');

/** What the strokes that write something are called as a group. */
export const nameOfHand = (of: string): string => cutName(`${of}, hand`);
