import { keysOf, type Animated, type Key } from '../../timing';
import { sameValue, updateStrokes } from '../parts';
import {
  mannerOf,
  type GivenManner,
  type Manner,
  type MannerParts,
  type Piece,
  type WindowKeys,
} from '../schema';
import {
  given,
  mannerTimes,
  mannerWindow,
  plain,
  rest,
  written,
  type Mannered,
  type MannerKey,
  type MannerTimes,
  type Role,
} from './manner-window';

/**
 * Gives strokes a manner; their own head, tail and slide are replaced, their start is kept.
 * @param parts what differs from the plain manner; `onAt` and `offAt` where it is not to begin with the stroke.
 */
export function applyManner(
  piece: Piece,
  ids: readonly string[],
  parts: MannerParts & Partial<MannerTimes>,
  name = 'own manner',
): Piece {
  const { onAt, offAt, ...of } = parts;
  const manner = mannerOf(of);
  return updateStrokes(piece, ids, (stroke) => {
    const times = mannerTimes(manner, stroke, piece.length);
    const from = onAt ?? times.onAt;
    const when = { onAt: from, offAt: offAt ?? Math.max(times.offAt, times.offAt + from - times.onAt) };
    return given(stroke, name, manner, mannerWindow(manner, stroke.path.closed, when));
  });
}

/** Keys as they are, told apart: those that a manner gave, by what they are for, and those that were set by hand. */
function toldApart(now: readonly Key[], gave: readonly MannerKey[]): { own: Map<Role, Key>; byHand: Key[] } {
  const own = new Map<Role, Key>();
  const byHand: Key[] = [];
  let next = 0;
  for (const key of now) {
    const at = gave.findIndex((mark, i) => i >= next && mark.value === key.value);
    if (at < 0) byHand.push(key);
    else {
      own.set(gave[at]!.role, key);
      next = at + 1;
    }
  }
  return { own, byHand };
}

/** The frames of the keys that a manner gave, as they are now; null for a key that is not there any more. */
function framesNow({ window }: Mannered, way: Manner, closed: boolean) {
  const reference = { onAt: 0, offAt: way.onFrames + (way.hold ?? 1) + 1 };
  const parts = (['head', 'tail'] as const).map((part) => {
    const gave = written(way, closed, part, reference);
    return toldApart(keysOf(window[part]), typeof gave === 'number' ? [] : gave);
  });
  const frameOf = (role: Role): number | null => {
    const found = parts.flatMap(({ own }) => own.get(role)?.frame ?? []);
    return found.length > 0 ? Math.min(...found) : null;
  };
  return {
    parts,
    onFrom: frameOf('onFrom'),
    onTo: frameOf('onTo'),
    offFrom: frameOf('offFrom'),
    offTo: frameOf('offTo'),
  };
}

/** The manner something was given, with the lengths of time that it has now, however they came about. */
export function mannerNow(of: Mannered, closed: boolean): Manner | null {
  if (!of.manner) return null;
  const { way } = of.manner;
  const { onFrom, onTo, offFrom, offTo } = framesNow(of, way, closed);
  const between = (from: number | null, to: number | null, otherwise: number): number =>
    from === null || to === null ? otherwise : Math.max(1, Math.round(to - from));
  return {
    ...way,
    onFrames: between(onFrom, onTo, way.onFrames),
    offFrames: between(offFrom, offTo, way.offFrames),
    hold:
      way.hold === null || onTo === null || offFrom === null
        ? way.hold
        : Math.max(0, Math.round(offFrom - onTo)),
  };
}

/**
 * The window of something in another manner: what the two have alike stays as it is now.
 * @param before the manner its window is in now.
 */
function rewritten(of: Mannered, before: Manner, next: Manner, closed: boolean, length: number): WindowKeys {
  const { parts, onFrom, onTo, offFrom, offTo } = framesNow(of, before, closed);
  const fresh = mannerTimes(next, of, length);
  const kept = (from: number | null, to: number | null, key: 'onFrames' | 'offFrames'): number =>
    next[key] === before[key] && from !== null && to !== null ? Math.max(1, to - from) : next[key];
  const onAt = onFrom ?? fresh.onAt;
  const onFrames = kept(onFrom, onTo, 'onFrames');
  const offAt =
    next.hold === before.hold && offFrom !== null
      ? offFrom
      : next.hold === null
        ? fresh.offAt
        : onAt + onFrames + next.hold;
  const timed = { ...next, onFrames, offFrames: kept(offFrom, offTo, 'offFrames') };
  const end = (part: 'head' | 'tail', i: number): Animated => {
    const { own, byHand } = parts[i]!;
    const made = written(timed, closed, part, { onAt, offAt });
    const keys = typeof made === 'number' ? [] : made;
    const eased = keys.map((key): Key => {
      const was = own.get(key.role);
      const same =
        key.role === 'onFrom'
          ? sameValue(next.easing, before.easing)
          : sameValue(next.offEasing, before.offEasing);
      return same && was ? { ...plain(key), easing: was.easing } : plain(key);
    });
    if (eased.length === 0 && byHand.length === 0) return made as number;
    const taken = new Set(byHand.map((key) => key.frame));
    return {
      keys: [...eased.filter((key) => !taken.has(key.frame)), ...byHand].sort((a, b) => a.frame - b.frame),
    };
  };
  const { slide, travel } = of.window;
  return {
    head: end('head', 0),
    tail: end('tail', 1),
    ...rest(next, closed),
    ...(slide !== rest(before, closed).slide && { slide }),
    ...(travel && next.kind === 'pass' && sameValue(next.length, before.length) && { travel }),
  };
}

/** Changes how strokes, and lines of groups, are written; by their ids. */
function updateMannered(
  piece: Piece,
  ids: readonly string[],
  change: <M extends Mannered>(of: M, closed: boolean) => M,
): Piece {
  const strokes = updateStrokes(piece, ids, (stroke) => change(stroke, stroke.path.closed));
  return {
    ...strokes,
    groups: strokes.groups.map((group) =>
      group.line && ids.includes(group.id) ? { ...group, line: change(group.line, false) } : group,
    ),
  };
}

/**
 * Gives strokes, or lines of groups, a manner anew, or another one, without losing what was set by hand: keys that the manner
 * did not give stay, and so do starts, lengths of time and easings that the manner does not change. Those without one are
 * given it.
 */
export function reapplyManner(
  piece: Piece,
  ids: readonly string[],
  parts: MannerParts,
  name = 'own manner',
): Piece {
  const manner = mannerOf(parts);
  return updateMannered(piece, ids, (of, closed) =>
    of.manner
      ? given(of, name, manner, rewritten(of, of.manner.way, manner, closed, piece.length))
      : given(of, name, manner, mannerWindow(manner, closed, mannerTimes(manner, of, piece.length))),
  );
}

/**
 * Changes parts of the manner that strokes or lines were given. A length of time that is named is what all of them have then,
 * whatever they had; those that are not named stay as they are in each.
 */
export const changeManner = (
  piece: Piece,
  ids: readonly string[],
  part: Partial<Manner>,
  name: string,
): Piece =>
  updateMannered(piece, ids, (of, closed) => {
    const now = mannerNow(of, closed);
    if (!now || !of.manner) return of;
    const window = rewritten(of, now, { ...now, ...part }, closed, piece.length);
    return given(of, name, { ...of.manner.way, ...part }, window);
  });

/** Strokes or lines that say no more in which manner they were written; their keys stay. */
export const withoutManner = (piece: Piece, ids: readonly string[]): Piece =>
  updateMannered(piece, ids, (of) => {
    const plain = { ...of };
    delete (plain as { manner?: GivenManner }).manner;
    return plain;
  });

/** Whether keys are no longer those that their manner gave. */
export function setByHand(of: Mannered, closed: boolean): boolean {
  if (!of.manner) return false;
  const { way } = of.manner;
  const gave = mannerWindow(way, closed, { onAt: 0, offAt: way.onFrames + (way.hold ?? 1) });
  return (['head', 'tail'] as const).some((part) => {
    const [now, was] = [keysOf(of.window[part]), keysOf(gave[part])];
    return (
      now.length !== was.length ||
      now.some((key, i) => key.value !== was[i]!.value || !sameValue(key.easing, was[i]!.easing))
    );
  });
}
