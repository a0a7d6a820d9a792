import { changed, type Change } from '../parts';
import type { Lettering, LetterSetting, TextSetting } from '../schema';

type Letters = NonNullable<TextSetting['letters']>;

/** A letter of which nothing but its place is said is set like the others. */
const isPlain = (letter: LetterSetting): boolean => Object.keys(letter).length === 1;

/** The letters of a text that can be set by themselves: where each begins in the text, and what it is. */
export function lettersIn({ setting: { text }, set }: Pick<Lettering, 'setting' | 'set'>): {
  readonly at: number;
  readonly letter: string;
}[] {
  const places = [...new Set(set.glyphs.map(({ cluster }) => cluster))].sort((a, b) => a - b);
  return places.map((at, i) => ({ at, letter: text.slice(at, places[i + 1] ?? text.length).trim() }));
}

const withLetters = (setting: TextSetting, letters: Letters): TextSetting => {
  const apart = letters.filter((letter) => !isPlain(letter));
  return changed<TextSetting>(setting, { letters: apart.length > 0 ? apart : undefined });
};

/**
 * Letters of a text, by where they begin, set unlike the others. A part that is given as undefined is again as the text has it.
 */
export function setLetters(
  setting: TextSetting,
  places: readonly number[],
  part: (letter: LetterSetting) => Change<LetterSetting>,
): TextSetting {
  const known = new Map((setting.letters ?? []).map((letter) => [letter.at, letter]));
  for (const at of places) {
    const letter = known.get(at) ?? { at };
    known.set(at, changed<LetterSetting>(letter, part(letter)));
  }
  return withLetters(
    setting,
    [...known.values()].sort((a, b) => a.at - b.at),
  );
}

/**
 * Where each place of a text is in another: what both begin with and end with stays; null for what is gone. Where the two
 * overlap ("ababa" became "aba") any cut between them makes the same text: the one that loses the fewest of some places is taken.
 */
function placesIn(before: string, now: string, places: readonly number[]): (at: number) => number | null {
  const most = Math.min(before.length, now.length);
  let head = 0;
  while (head < most && before[head] === now[head]) head++;
  let tail = 0;
  while (tail < most && before.at(-1 - tail) === now.at(-1 - tail)) tail++;
  const placed =
    (cut: number, rest: number) =>
    (at: number): number | null =>
      at < cut ? at : at >= before.length - rest ? at + now.length - before.length : null;
  if (head + tail <= most) return placed(head, tail);
  const kept = (to: (at: number) => number | null): number => places.filter((at) => to(at) !== null).length;
  const cuts = Array.from({ length: head + tail - most + 1 }, (_, i) => placed(head - i, most - head + i));
  return cuts.reduce((best, one) => (kept(one) > kept(best) ? one : best));
}

/**
 * A setting with some of it changed: letters that are set unlike the others go with their text, and move in proportion with
 * its size. How letters are written was chosen for a face, and stays behind with it.
 */
export function changeSetting(setting: TextSetting, part: Change<TextSetting>): TextSetting {
  const isOtherFace = part.face !== undefined && part.face.id !== setting.face.id;
  const next = changed<TextSetting>(setting, isOtherFace ? { ductus: undefined, ...part } : part);
  const { letters } = next;
  if (!letters || 'letters' in part) return next;
  const to = placesIn(
    setting.text,
    next.text,
    letters.map(({ at }) => at),
  );
  const k = next.size / setting.size;
  const kept = letters.flatMap((letter): LetterSetting[] => {
    const at = to(letter.at);
    if (at === null) return [];
    const { x, y } = letter;
    return [{ ...letter, at, ...(x !== undefined && { x: x * k }), ...(y !== undefined && { y: y * k }) }];
  });
  return withLetters(next, kept);
}
