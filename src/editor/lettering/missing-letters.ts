import type { FaceSummary } from '@/contract';

/** Scripts that faces are made for besides Latin; a face speaks for the script of the word that shows it. */
const SCRIPTS = [/\p{Script=Arabic}/u, /\p{Script=Devanagari}/u];

/** A face made for the script of letters that another face lacks; null where none is known. */
export function faceFor(letters: readonly string[], faces: readonly FaceSummary[]): FaceSummary | null {
  const script = SCRIPTS.find((one) => letters.some((letter) => one.test(letter)));
  return (script && faces.find(({ sample }) => script.test(sample))) ?? null;
}

/** Letters in a sentence: each stands by itself, so that those of other directions leave the rest in its order (UAX #9, isolates). */
export const namedLetters = (letters: readonly string[]): string =>
  letters.map((letter) => `“\u2068${letter}\u2069”`).join(', ');
