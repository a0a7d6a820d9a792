import { measurePath, pathsOf, type PathCommand } from '../../geometry';
import { isKeyed, keysOf, mapValues, valueAt, type Animated, type Key } from '../../timing';
import { seenBetween, type MovingWindow } from '../moving';
import type { Place, Reading } from './reading';
import type { Declarations } from './styles';
import { timelineOf, type Moment } from './timelines';
import { lengthOf } from './values';
import type { Element } from './xml';

const DASHES = ['stroke-dasharray', 'stroke-dashoffset'] as const;

/** What else moves of a shape, in words. */
function noteOthers({ leftOut, keyframes }: Reading, element: Element, d: Declarations): void {
  const isDash = (name: string | undefined) => DASHES.includes(name as (typeof DASHES)[number]);
  for (const { name, attributes } of element.children)
    if (/^(animate|animateTransform|animateMotion|set)$/.test(name) && !isDash(attributes.attributeName))
      leftOut.add('animations');
  const named = `${d.animation ?? ''} ${d['animation-name'] ?? ''}`;
  for (const [name, frames] of keyframes)
    if (new RegExp(`(^|[\\s,])${name}([\\s,]|$)`).test(named))
      for (const { says } of frames)
        if (
          Object.keys(says).some((property) => !isDash(property) && property !== 'animation-timing-function')
        )
          leftOut.add('animations');
}

/**
 * When a shape comes and goes, s, as `display` of it and of what it lies in has it; null for no such end. Null where it is
 * always there.
 */
function seenOf(reading: Reading, element: Element): readonly [number | null, number | null] | null {
  let [from, to]: [number | null, number | null] = [null, null];
  for (let at: Element | null = element; at; at = at.parent) {
    const own = reading.cascade(at);
    const moments = timelineOf(reading, at, own, 'display', own.display ?? 'inline');
    if (!moments) continue;
    const changes = moments.filter(
      ({ value }, i) => (value === 'none') !== (moments[i - 1]?.value === 'none'),
    );
    const [first, ...later] = changes;
    const comes = first!.value === 'none' ? later.shift() : first;
    const goes = later.shift();
    if (later.length > 0) reading.leftOut.add('lines that come and go several times');
    if (comes && comes.at > 0) from = Math.max(from ?? 0, comes.at);
    if (goes) to = Math.min(to ?? Infinity, goes.at);
  }
  return from === null && to === null ? null : [from, to];
}

/** Two numbers that follow keys of their own as one value: at all moments of either. */
function together(a: Animated, b: Animated, of: (a: number, b: number) => number): Animated {
  if (!isKeyed(a) && !isKeyed(b)) return of(a, b);
  // Where one alone moves, it keeps its ways from key to key.
  if (!isKeyed(b)) return mapValues(a, (value) => of(value, b));
  if (!isKeyed(a)) return mapValues(b, (value) => of(a, value));
  const keys = new Map<number, Key>();
  for (const key of [...a.keys, ...b.keys]) keys.set(key.frame, key);
  const frames = [...keys.keys()].sort((x, y) => x - y);
  return {
    keys: frames.map((frame) => ({
      frame,
      value: of(valueAt(a, frame), valueAt(b, frame)),
      easing: keys.get(frame)!.easing,
    })),
  };
}

/** Numbers of a timeline as keys. */
function keyed(
  moments: readonly Moment[] | null,
  base: string,
  numberIn: (text: string) => number,
): Animated {
  if (!moments) return numberIn(base);
  const keys: Key[] = [];
  for (const { at, value, easing } of moments) {
    // Of two at once the later counts.
    if (keys.length > 0 && at <= keys.at(-1)!.frame) keys.pop();
    keys.push({ frame: at, value: numberIn(value), easing });
  }
  return { keys };
}

/**
 * Notes a line whose dashes move so that it is written: one dash that grows or slides, the next of which is never seen.
 * @param commands of the path, in its own units.
 */
export function noteMovingLine(
  reading: Reading,
  element: Element,
  d: Declarations,
  { view, matrix, inherited: { style } }: Place,
  commands: readonly PathCommand[],
  data: string,
): void {
  noteOthers(reading, element, d);
  const [array, offset] = DASHES.map((property) =>
    timelineOf(reading, element, d, property, style[property]),
  );
  const seen = seenOf(reading, element);
  if (!array && !offset && !seen) return;
  const whole = Math.hypot(view.width, view.height) / Math.SQRT2;
  const paths = pathsOf(commands);
  const lengths = paths.map((path) => measurePath(path).length);
  const counted = lengthOf(element.attributes.pathLength, 1);
  const k = counted !== null && counted > 0 ? lengths.reduce((sum, one) => sum + one, 0) / counted : 1;
  const listOf = (text: string): number[] =>
    text === 'none' ? [Infinity] : text.split(/[\s,]+/).map((one) => (lengthOf(one, whole) ?? 0) * k);
  const dash = keyed(array ?? null, style['stroke-dasharray'], (text) => listOf(text)[0]!);
  const gap = keyed(array ?? null, style['stroke-dasharray'], (text) => listOf(text)[1] ?? listOf(text)[0]!);
  const shift = keyed(offset ?? null, style['stroke-dashoffset'], (text) => (lengthOf(text, whole) ?? 0) * k);
  const moments = [dash, gap, shift].flatMap((one) => keysOf(one).map(({ frame }) => frame));
  const windows = lengths.map((length): MovingWindow | null => {
    const room = 0.002 * length + 0.01;
    const alone = moments.every((at) => {
      const [a, b, o] = [valueAt(dash, at), valueAt(gap, at), valueAt(shift, at)];
      return (array || offset ? Number.isFinite(a) : true) && -o + a + b >= length - room && -o - b <= room;
    });
    if (!alone || !(length > 0)) return null;
    if (!array && !offset) return seenBetween({ head: 1, tail: 0, slide: 0 }, ...seen!);
    const window = {
      head: together(dash, shift, (a, o) => (a - o) / length),
      tail: mapValues(shift, (o) => -o / length),
      slide: 0,
    };
    return seen ? seenBetween(window, ...seen) : window;
  });
  if (windows.every((window) => window !== null)) reading.moving.push({ data, transform: matrix, windows });
  else reading.leftOut.add('dashes that move');
}
