import bidiFactory from 'bidi-js';

const bidi = bidiFactory();

/** Part of a line in one direction and one script, as a shaper takes it. */
export interface Run {
  /** First UTF-16 unit in the line, and how many. */
  readonly start: number;
  readonly length: number;
  readonly rightToLeft: boolean;
  /** ISO 15924 code, or null where only signs stand that every script shares. */
  readonly script: string | null;
}

/** Scripts told apart, by their Unicode property and ISO 15924 code; all others are left to the shaper. */
const SCRIPTS = [
  ['Latin', 'Latn'],
  ['Greek', 'Grek'],
  ['Cyrillic', 'Cyrl'],
  ['Arabic', 'Arab'],
  ['Hebrew', 'Hebr'],
  ['Devanagari', 'Deva'],
  ['Bengali', 'Beng'],
  ['Tamil', 'Taml'],
  ['Thai', 'Thai'],
  ['Han', 'Hani'],
  ['Hiragana', 'Hira'],
  ['Katakana', 'Kana'],
  ['Hangul', 'Hang'],
] as const;
const TESTS = SCRIPTS.map(([property, code]) => [new RegExp(`\\p{Script=${property}}`, 'u'), code] as const);

const scriptOf = (letter: string): string | null => TESTS.find(([test]) => test.test(letter))?.[1] ?? null;

/**
 * The runs of a line in visual order, left to right: levels by the Unicode Bidirectional Algorithm (UAX #9), each
 * split where the script changes. Signs common to all scripts go with what stands before them.
 */
export function runsOf(line: string): Run[] {
  const { levels } = bidi.getEmbeddingLevels(line);
  const runs: (Run & { level: number })[] = [];
  let at = 0;
  for (const letter of line) {
    const script = scriptOf(letter);
    const level = levels[at]!;
    const last = runs.at(-1);
    if (last && last.level === level && (script === null || last.script === null || last.script === script)) {
      runs[runs.length - 1] = { ...last, length: last.length + letter.length, script: last.script ?? script };
    } else {
      runs.push({ start: at, length: letter.length, rightToLeft: level % 2 === 1, script, level });
    }
    at += letter.length;
  }
  // UAX #9, L2: from the highest level down to the lowest odd one, reverse what lies at it or above.
  const highest = Math.max(0, ...runs.map((run) => run.level));
  let order = runs;
  for (let level = highest; level > 0; level--) {
    const next: typeof runs = [];
    let group: typeof runs = [];
    for (const run of order) {
      if (run.level >= level) group.unshift(run);
      else {
        next.push(...group, run);
        group = [];
      }
    }
    order = [...next, ...group];
  }
  return order;
}
