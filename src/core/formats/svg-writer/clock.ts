import { changesOf, keysThrough } from '../tracks';
import { element, short } from './element';

/** The time of a film: its frames, and what is seen where nothing moves. */
export interface Clock {
  readonly frames: number;
  readonly seconds: number;
  readonly plays: 'again' | 'once';
  /** The frame whose values stand where animations are not played. */
  readonly still: number;
}

/** An attribute through time: what it is where nothing moves, and the elements that move it. */
export interface Moving {
  readonly value: string;
  readonly moves: string;
}

/** A share of the whole time, never later than the frame it is of. */
const shareOf = ({ frames }: Clock, frame: number): string =>
  short(Math.floor((frame / frames) * 1e6) / 1e6, 6);

const timing = ({ seconds, plays }: Clock) => ({
  dur: `${short(seconds, 4)}s`,
  ...(plays === 'again' ? { repeatCount: 'indefinite' } : { fill: 'freeze' }),
});

/** SMIL (SVG Animations Level 2) for an attribute that jumps from frame to frame. */
export function stepping(clock: Clock, name: string, values: readonly string[]): Moving {
  const changes = changesOf(values);
  const value = values[clock.still]!;
  if (changes.length === 1) return { value, moves: '' };
  return {
    value,
    moves: element('animate', {
      attributeName: name,
      calcMode: 'discrete',
      ...timing(clock),
      keyTimes: changes.map(({ frame }) => shareOf(clock, frame)).join(';'),
      values: changes.map(({ value: one }) => one).join(';'),
    }),
  };
}

/** SMIL for an attribute of a number that is another at every frame. */
export const ticking = (clock: Clock, name: string): string =>
  element('animate', { attributeName: name, values: `0;${clock.frames}`, ...timing(clock) });

/**
 * SMIL for an attribute of numbers that goes evenly from key to key: exact at every frame within a tolerance, smooth between.
 * @param written the attribute's text for its numbers.
 */
export function gliding(
  clock: Clock,
  name: string,
  numbers: readonly (readonly number[] | null)[],
  off: number,
  written: (values: readonly number[]) => string,
): Moving {
  const keys = keysThrough(numbers, off);
  const still = numbers[clock.still] ?? numbers.findLast((values) => values !== null)!;
  const value = written(still);
  const texts = keys.map(({ values }) => written(values));
  if (texts.every((one) => one === texts[0])) return { value, moves: '' };
  // The first key holds from the start and the last to the end.
  const times = keys.map(({ frame }) => shareOf(clock, frame));
  if (keys[0]!.frame > 0) {
    times.unshift('0');
    texts.unshift(texts[0]!);
  }
  times.push('1');
  texts.push(texts.at(-1)!);
  return {
    value,
    moves: element('animate', {
      attributeName: name,
      ...timing(clock),
      keyTimes: times.join(';'),
      values: texts.join(';'),
    }),
  };
}

/** Fills what is not there at a frame with what is there at the nearest one before, or first. */
export function held<T>(values: readonly (T | null)[]): T[] {
  let last = values.find((value) => value !== null)!;
  return values.map((value) => (last = value ?? last));
}
