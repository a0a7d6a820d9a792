import { HOLD, keysOf, type Animated, type Easing, type Key } from '../../timing';
import { changed, sameValue } from '../changed';
import { mannerOf, type Manner, type MannerParts } from '../manner-schema';
import type { Piece, Stroke } from '../schema';
import type { WindowKeys } from '../window-schema';
import { keyedSpan } from './keys';
import { updateStrokes } from './layers';

/** When a manner begins to write on and off, in frames. */
export interface MannerTimes {
  readonly onAt: number;
  readonly offAt: number;
}

type Move = { head: [number, number]; tail: [number, number] };

/** Head and tail before and after the ink comes. */
function coming({ from, origin }: Manner, closed: boolean): Move {
  // A closed path has no ends: ink grows both ways round from a place that slide puts anywhere.
  const o = from === 'middle' || from === 'ends' || closed ? 0.5 : origin;
  if (from === 'start') return { head: [0, 1], tail: [0, 0] };
  if (from === 'end') return { head: [1, 1], tail: [1, 0] };
  if (from === 'ends') return { head: [1, o], tail: [0, o] };
  return { head: [o, 1], tail: [o, 0] };
}

/** And before and after it leaves: onward in the direction it came, closing on its origin, or back. */
function leaving(manner: Manner, closed: boolean): Move {
  const back = manner.leaves === 'back';
  if (manner.from === 'start') return back ? { head: [1, 0], tail: [0, 0] } : { head: [1, 1], tail: [0, 1] };
  if (manner.from === 'end') return back ? { head: [1, 1], tail: [0, 1] } : { head: [1, 0], tail: [0, 0] };
  const { head, tail } = coming(manner, closed);
  return { head: [head[1], head[0]], tail: [tail[1], tail[0]] };
}

/** What a key of a manner is for: the start or the end of coming or of leaving. */
type Role = 'onFrom' | 'onTo' | 'offFrom' | 'offTo';
type MannerKey = Key & { readonly role: Role };

/** The keys of one end, or the value it keeps where it does not move. */
function written(
  manner: Manner,
  closed: boolean,
  part: 'head' | 'tail',
  times: MannerTimes,
): MannerKey[] | number {
  if (manner.kind === 'pass') {
    if (part === 'tail') return 0;
    const way = manner.from === 'end' ? ([1, 0] as const) : ([0, 1] as const);
    return [
      { frame: times.onAt, value: way[0], easing: manner.easing, role: 'onFrom' },
      { frame: times.onAt + manner.onFrames, value: way[1], easing: HOLD, role: 'onTo' },
    ];
  }
  const keys: MannerKey[] = [];
  const move = (
    [from, to]: [number, number],
    at: number,
    frames: number,
    easing: Easing,
    roles: [Role, Role],
  ): void => {
    if (from === to) return;
    // A move that starts where the one before still runs takes over from there.
    while (keys.length > 0 && keys.at(-1)!.frame >= at) keys.pop();
    keys.push(
      { frame: at, value: from, easing, role: roles[0] },
      { frame: at + frames, value: to, easing: HOLD, role: roles[1] },
    );
  };
  const [on, off] = [coming(manner, closed)[part], leaving(manner, closed)[part]];
  if (manner.kind !== 'off') move(on, times.onAt, manner.onFrames, manner.easing, ['onFrom', 'onTo']);
  if (manner.kind !== 'on') move(off, times.offAt, manner.offFrames, manner.offEasing, ['offFrom', 'offTo']);
  if (keys.length > 0) return keys;
  return manner.kind === 'off' ? off[0] : on[1];
}

const plain = ({ frame, value, easing }: MannerKey): Key => ({ frame, value, easing });
const animated = (keys: readonly MannerKey[] | number): Animated =>
  typeof keys === 'number' ? keys : { keys: keys.map(plain) };

/** What of a window a manner decides besides its keys. */
function rest(manner: Manner, closed: boolean): Omit<WindowKeys, 'head' | 'tail'> {
  const turned = closed && manner.from === 'point' && manner.kind !== 'pass';
  const { value, unit } = manner.length;
  return {
    slide: turned ? manner.origin - 0.5 : 0,
    ...(manner.kind === 'pass' && { travel: { length: value, unit } }),
    ...(manner.kind !== 'pass' && manner.from === 'ends' && { outside: true as const }),
  };
}

/** The window that writes a stroke in this manner. */
export const mannerWindow = (manner: Manner, closed: boolean, times: MannerTimes): WindowKeys => ({
  head: animated(written(manner, closed, 'head', times)),
  tail: animated(written(manner, closed, 'tail', times)),
  ...rest(manner, closed),
});

/** When a manner begins on a stroke: where the stroke begins now, else with the piece; off so that the hold is kept. */
export function mannerTimes(manner: Manner, now: Pick<Stroke, 'window'>, length: number): MannerTimes {
  const onAt = manner.kind === 'off' ? 0 : (keyedSpan(now)?.first ?? 0);
  const on = manner.kind === 'off' ? 0 : manner.onFrames;
  const last = Math.max(0, length - 1 - manner.offFrames);
  return { onAt, offAt: manner.hold === null ? Math.max(last, onAt + on) : onAt + on + manner.hold };
}

const given = (stroke: Stroke, name: string, manner: Manner, window: WindowKeys): Stroke =>
  changed<Stroke>(stroke, {
    window,
    manner: { name, way: manner },
    ...(manner.pace && { pace: manner.pace }),
  });

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

/** A stroke in another manner than the one it was given: what the two have alike stays as it is now. */
function rewritten(stroke: Stroke, name: string, next: Manner, length: number): Stroke {
  const before = stroke.manner!.way;
  const { closed } = stroke.path;
  const reference = { onAt: 0, offAt: before.onFrames + (before.hold ?? 1) + 1 };
  const parts = (['head', 'tail'] as const).map((part) => {
    const gave = written(before, closed, part, reference);
    return toldApart(keysOf(stroke.window[part]), typeof gave === 'number' ? [] : gave);
  });
  const frameOf = (role: Role): number | null => {
    const found = parts.flatMap(({ own }) => own.get(role)?.frame ?? []);
    return found.length > 0 ? Math.min(...found) : null;
  };
  const fresh = mannerTimes(next, stroke, length);
  const [onFrom, onTo, offFrom, offTo] = (['onFrom', 'onTo', 'offFrom', 'offTo'] as const).map(frameOf) as [
    number | null,
    number | null,
    number | null,
    number | null,
  ];
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
  const { slide, travel } = stroke.window;
  return given(stroke, name, next, {
    head: end('head', 0),
    tail: end('tail', 1),
    ...rest(next, closed),
    ...(slide !== rest(before, closed).slide && { slide }),
    ...(travel && next.kind === 'pass' && sameValue(next.length, before.length) && { travel }),
  });
}

/**
 * Gives strokes a manner anew, or another one, without losing what was set by hand: keys that the manner did not give
 * stay, and so do starts, lengths of time and easings that the manner does not change. Strokes without one are given it.
 */
export const reapplyManner = (
  piece: Piece,
  ids: readonly string[],
  parts: MannerParts,
  name = 'own manner',
): Piece => {
  const manner = mannerOf(parts);
  return ids.reduce((result, id) => {
    const stroke = result.layers.find((layer) => layer.id === id);
    if (stroke?.type !== 'stroke') return result;
    return stroke.manner
      ? updateStrokes(result, [id], (s) => rewritten(s, name, manner, piece.length))
      : applyManner(result, [id], manner, name);
  }, piece);
};

/** Whether a stroke's keys are no longer those that its manner gave. */
export function setByHand(stroke: Stroke): boolean {
  if (!stroke.manner) return false;
  const { way } = stroke.manner;
  const gave = mannerWindow(way, stroke.path.closed, { onAt: 0, offAt: way.onFrames + (way.hold ?? 1) });
  return (['head', 'tail'] as const).some((part) => {
    const [now, was] = [keysOf(stroke.window[part]), keysOf(gave[part])];
    return (
      now.length !== was.length ||
      now.some((key, i) => key.value !== was[i]!.value || !sameValue(key.easing, was[i]!.easing))
    );
  });
}
