import { inkDoes, type Stroke } from '../document';
import { commandsBounds, transformCommands, translation, type PathCommand, type Point } from '../geometry';
import { valueAt } from '../timing';
import { leftToOthers } from './left-to-others';
import { placesOf, reaching, type Places } from './pen-places';

/** Lengths are taken to a 64th of a px, so that a letter is looked at once, wherever it is moved. */
const EXACT = 64;

const rounded = (value: number): number => Math.round(value * EXACT) / EXACT;

/** Whether a pen covers all along its path, from end to end, once it has been written. */
const isPlain = ({ ink, place, masks, reveal, effects }: Stroke): boolean =>
  ink.cap === 'round' &&
  (ink.endCap ?? 'round') === 'round' &&
  !inkDoes(ink, 'thins') &&
  !place &&
  !masks &&
  !reveal &&
  !effects &&
  valueAt(ink.opacity, Infinity) === 1;

/** Places as they are seen from a place of the piece. */
function seenFrom(places: Places, { x, y }: Point): Places {
  for (let p = 0; p < places.length; p += 3) {
    places[p] = rounded(places[p]! - x);
    places[p + 1] = rounded(places[p + 1]! - y);
    places[p + 2] = rounded(places[p + 2]!);
  }
  return places;
}

/** What was held out of a letter the last time it was asked for, and of what. */
interface Known {
  readonly outline: readonly PathCommand[];
  readonly pens: readonly Places[];
  readonly covers: readonly boolean[];
  readonly held: readonly (readonly PathCommand[] | null)[];
}

const same = (a: ArrayLike<unknown>, b: ArrayLike<unknown>): boolean => {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
};
const sameCommands = (a: readonly PathCommand[], b: readonly PathCommand[]): boolean =>
  a.length === b.length && a.every((command, i) => same(command, b[i]!));

/** Letters that were looked at, by what they are one of and their place there. */
const lookedAt = new WeakMap<object, Map<number, Known>>();

/**
 * What each of the strokes that write a letter must leave to the others, as an outline in piece pixels; null where it reaches
 * nothing of theirs. Once all of them have been written the letter is whole without it.
 * @param of what the letter is one of, and its place there: what was found is kept with it, and found again where nothing
 * but the letter's place in the piece has changed.
 */
export function heldOut(
  outline: readonly PathCommand[],
  strokes: readonly Stroke[],
  of: object,
  place: number,
): readonly (readonly PathCommand[] | null)[] {
  const [start] = outline;
  if (strokes.length < 2 || !start || start[0] === 'Z') return strokes.map(() => null);
  const from = { x: start[1], y: start[2] };
  const letter = outline.map(
    (command): PathCommand =>
      command.map((part, i) =>
        typeof part === 'number' ? rounded(part - (i % 2 === 1 ? from.x : from.y)) : part,
      ) as unknown as PathCommand,
  );
  const box = commandsBounds(outline)!;
  const pens = strokes.map((stroke) => seenFrom(reaching(placesOf(stroke), box, 0), from));
  const covers = strokes.map(isPlain);
  let letters = lookedAt.get(of);
  if (!letters) lookedAt.set(of, (letters = new Map()));
  let known = letters.get(place);
  const isKnown =
    known !== undefined &&
    same(known.covers, covers) &&
    known.pens.length === pens.length &&
    known.pens.every((pen, k) => same(pen, pens[k]!)) &&
    sameCommands(known.outline, letter);
  if (!known || !isKnown) {
    known = { outline: letter, pens, covers, held: leftToOthers(letter, pens, covers) };
    letters.set(place, known);
  }
  return known.held.map((held) => held && transformCommands(held, translation(from.x, from.y)));
}
