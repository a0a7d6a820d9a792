import { HOLD, type Animated, type Easing, type Key, type Pace } from '../../timing';
import { keyedSpan } from '../keys';
import type { GivenManner, Manner, WindowKeys } from '../schema';

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
export type Role = 'onFrom' | 'onTo' | 'offFrom' | 'offTo';
export type MannerKey = Key & { readonly role: Role };

/** The keys of one end, or the value it keeps where it does not move. */
export function written(
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

export const plain = ({ frame, value, easing }: MannerKey): Key => ({ frame, value, easing });
const animated = (keys: readonly MannerKey[] | number): Animated =>
  typeof keys === 'number' ? keys : { keys: keys.map(plain) };

/** What of a window a manner decides besides its keys. */
export function rest(manner: Manner, closed: boolean): Omit<WindowKeys, 'head' | 'tail'> {
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
export function mannerTimes(manner: Manner, now: Pick<Mannered, 'window'>, length: number): MannerTimes {
  const onAt = manner.kind === 'off' ? 0 : (keyedSpan(now)?.first ?? 0);
  const on = manner.kind === 'off' ? 0 : manner.onFrames;
  const last = Math.max(0, length - 1 - manner.offFrames);
  return { onAt, offAt: manner.hold === null ? Math.max(last, onAt + on) : onAt + on + manner.hold };
}

export const given = <M extends Mannered>(of: M, name: string, manner: Manner, window: WindowKeys): M => ({
  ...of,
  window,
  manner: { name, way: manner },
  ...(manner.pace && { pace: manner.pace }),
});

/** What bears a manner: a stroke, or the line of a group whose strokes are timed as one. */
export interface Mannered {
  readonly window: WindowKeys;
  readonly manner?: GivenManner;
  readonly pace?: Pace;
}
