import {
  keysOf,
  reversedEasing,
  withKey,
  withoutKeys,
  withRetimedKeys,
  withShiftedKeys,
  type Animated,
  type Easing,
  type Key,
} from '../../timing';
import { keyedById, shiftKeyed, spanOfStrokes, updateKeyed } from '../keys';
import { keyedParts, partOf, withPart, type AnyAnimated, type KeyedPart, type KeyValue } from '../parts';
import { strokesOf, type Piece } from '../schema';

/** A key by its owner (a stroke, or a group timed as one line), the part it belongs to, and its place in the list there. */
export interface KeyRef {
  readonly stroke: string;
  readonly part: KeyedPart;
  readonly index: number;
}

export const sameKey = (a: KeyRef, b: KeyRef): boolean =>
  a.stroke === b.stroke && a.part === b.part && a.index === b.index;

/** The list of keys that a reference points into. */
export function keysAt(
  piece: Piece,
  { stroke, part }: Pick<KeyRef, 'stroke' | 'part'>,
): readonly Key<KeyValue>[] {
  const keyed = keyedById(piece, stroke);
  const value = keyed && partOf(keyed, part);
  return value === undefined ? [] : keysOf(value as Animated<KeyValue>);
}

/** Changes each referenced list of keys once, given the places referenced in it. */
function changeKeys(
  piece: Piece,
  refs: readonly KeyRef[],
  change: (value: Animated<KeyValue>, indices: number[]) => AnyAnimated,
): Piece {
  return updateKeyed(piece, [...new Set(refs.map((ref) => ref.stroke))], (keyed, id) => {
    const own = refs.filter((ref) => ref.stroke === id);
    return [...new Set(own.map((ref) => ref.part))].reduce((result, part) => {
      const value = partOf(result, part);
      // What has no keys any more has none to change.
      if (value === undefined || keysOf(value as Animated<KeyValue>).length === 0) return result;
      const indices = own.filter((ref) => ref.part === part).map((ref) => ref.index);
      return withPart(result, part, change(value as Animated<KeyValue>, indices));
    }, keyed);
  });
}

/** Sets the value of a part at a frame, adding a key or changing the one there. */
export const setKey = <V extends KeyValue>(
  piece: Piece,
  id: string,
  part: KeyedPart,
  frame: number,
  value: V,
  easing?: Easing,
): Piece =>
  updateKeyed(piece, [id], (keyed) => {
    const now = partOf(keyed, part);
    return now === undefined
      ? keyed
      : withPart(keyed, part, withKey<V>(now as Animated<V>, frame, value, easing) as AnyAnimated);
  });

/** Changes value or easing of keys where they stand. */
export const changeKey = (
  piece: Piece,
  refs: readonly KeyRef[],
  to: { value?: KeyValue; easing?: Easing },
): Piece =>
  changeKeys(piece, refs, (value, indices) => ({
    keys: keysOf(value).map((key, i) => (indices.includes(i) ? { ...key, ...to } : key)) as Key[],
  }));

export const moveKeys = (piece: Piece, refs: readonly KeyRef[], frames: number): Piece =>
  changeKeys(
    piece,
    refs,
    (value, indices) => withShiftedKeys(value, (i) => (indices.includes(i) ? frames : 0)) as AnyAnimated,
  );

/** Gives keys other frames, all by one rule: stretched, squeezed, or one part quicker and another slower. */
export const retimeKeys = (piece: Piece, refs: readonly KeyRef[], to: (frame: number) => number): Piece =>
  changeKeys(piece, refs, (value, indices) => withRetimedKeys(value, indices, to) as AnyAnimated);

/**
 * The rule of a box of time whose edges and inner line are moved: within it frames are spread evenly on either side of
 * the line.
 */
export function boxRule(
  from: { readonly left: number; readonly line: number; readonly right: number },
  to: { readonly left: number; readonly line: number; readonly right: number },
): (frame: number) => number {
  const part = (frame: number, a: number, b: number, c: number, d: number): number =>
    b > a ? c + ((frame - a) * (d - c)) / (b - a) : c;
  return (frame) =>
    frame <= from.line
      ? part(frame, from.left, from.line, to.left, to.line)
      : part(frame, from.line, from.right, to.line, to.right);
}

/** The least and greatest number among keys; null where none of them holds one. */
export function valuesOf(piece: Piece, refs: readonly KeyRef[]): { low: number; high: number } | null {
  const values = refs.flatMap((ref) => {
    const value = keysAt(piece, ref)[ref.index]?.value;
    return typeof value === 'number' ? [value] : [];
  });
  return values.length > 0 ? { low: Math.min(...values), high: Math.max(...values) } : null;
}

/** Changes the numbers of keys by one rule; colours stay. */
export const changeValues = (piece: Piece, refs: readonly KeyRef[], to: (value: number) => number): Piece =>
  changeKeys(piece, refs, (value, indices) => ({
    keys: keysOf(value).map((key, i) =>
      indices.includes(i) && typeof key.value === 'number' ? { ...key, value: to(key.value) } : key,
    ) as Key[],
  }));

/** Turns the values of keys upside down between the least and the greatest of them: writing on becomes writing off. */
export function mirrorKeys(piece: Piece, refs: readonly KeyRef[]): Piece {
  const range = valuesOf(piece, refs);
  return range ? changeValues(piece, refs, (value) => range.low + range.high - value) : piece;
}

/** Turns keys round in time, within the frames they stand in; each curve between two of them is turned round with them. */
export function reverseKeys(piece: Piece, refs: readonly KeyRef[]): Piece {
  const frames = refs.flatMap((ref) => keysAt(piece, ref)[ref.index]?.frame ?? []);
  const [first, last] = [Math.min(...frames), Math.max(...frames)];
  return changeKeys(piece, refs, (value, indices) => {
    const keys = keysOf(value);
    const turned = keys
      .filter((_, i) => indices.includes(i))
      .map((key, i, all): Key<KeyValue> => ({
        frame: first + last - key.frame,
        value: key.value,
        // A key's easing is that of what follows it: turned round, that is the easing of the key before.
        easing: i > 0 ? reversedEasing(all[i - 1]!.easing) : key.easing,
      }))
      .reverse();
    const taken = new Set(turned.map((key) => key.frame));
    const others = keys.filter((key, i) => !indices.includes(i) && !taken.has(key.frame));
    return { keys: [...others, ...turned].sort((a, b) => a.frame - b.frame) as Key[] };
  });
}

export const removeKeys = (piece: Piece, refs: readonly KeyRef[]): Piece =>
  changeKeys(piece, refs, (value, indices) => withoutKeys(value, indices) as AnyAnimated);

/** Keys taken from a piece, to be put elsewhere: for each part, frames counted from the first of them all. */
export interface CopiedKeys {
  readonly parts: readonly {
    readonly stroke: string;
    readonly part: KeyedPart;
    readonly keys: readonly Key<KeyValue>[];
  }[];
}

export function copyKeys(piece: Piece, refs: readonly KeyRef[]): CopiedKeys {
  const named = new Map<string, KeyRef[]>();
  for (const ref of refs) {
    const name = `${ref.stroke} ${ref.part}`;
    named.set(name, [...(named.get(name) ?? []), ref]);
  }
  const found = [...named.values()].map((own) => {
    const { stroke, part } = own[0]!;
    const keys = keysAt(piece, own[0]!).filter((_, i) => own.some((ref) => ref.index === i));
    return { stroke, part, keys };
  });
  const first = Math.min(...found.flatMap(({ keys }) => keys.map((key) => key.frame)));
  return {
    parts: found.map((one) => ({
      ...one,
      keys: one.keys.map((key) => ({ ...key, frame: key.frame - first })),
    })),
  };
}

/**
 * Puts keys where they begin at a frame. Copied from one owner they go to each of `ids`; copied from several, to the
 * ones they came from. Those that stand in the way give place.
 */
export function pasteKeys(piece: Piece, copied: CopiedKeys, ids: readonly string[], frame: number): Piece {
  const owners = new Set(copied.parts.map(({ stroke }) => stroke));
  const targets = (from: string): readonly string[] => (owners.size === 1 && ids.length > 0 ? ids : [from]);
  return copied.parts.reduce(
    (result, { stroke, part, keys }) =>
      updateKeyed(result, targets(stroke), (keyed) => {
        const value = partOf(keyed, part);
        if (value === undefined) return keyed;
        const put = keys.map((key) => ({ ...key, frame: key.frame + frame }));
        const taken = new Set(put.map((key) => key.frame));
        const kept = keysOf(value as Animated<KeyValue>).filter((key) => !taken.has(key.frame));
        return withPart(keyed, part, { keys: [...kept, ...put].sort((a, b) => a.frame - b.frame) as Key[] });
      }),
    piece,
  );
}

/** Moves everything keyed in strokes and lines by a number of frames. */
export const shiftStrokes = (piece: Piece, ids: readonly string[], frames: number): Piece =>
  updateKeyed(piece, ids, (keyed) => shiftKeyed(keyed, frames));

/** Lets all that is keyed in strokes together take so many frames; the first key stays where it is. */
export function withSpan(piece: Piece, ids: readonly string[], frames: number): Piece {
  const strokes = strokesOf(piece).filter((stroke) => ids.includes(stroke.id));
  const span = spanOfStrokes(strokes);
  if (!span || span.last === span.first) return piece;
  const factor = Math.max(1, frames) / (span.last - span.first);
  const refs = strokes.flatMap((stroke) =>
    keyedParts(stroke).flatMap((part) =>
      keysOf(partOf(stroke, part) as Animated<KeyValue>).map((_, index) => ({
        stroke: stroke.id,
        part,
        index,
      })),
    ),
  );
  return retimeKeys(piece, refs, (frame) => span.first + (frame - span.first) * factor);
}
