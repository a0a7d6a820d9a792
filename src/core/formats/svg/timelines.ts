import { LINEAR, readCss, reversedEasing, type Easing } from '../../timing';
import type { Reading } from './reading';
import type { Declarations } from './styles';
import type { Element } from './xml';

/** What a property says from one moment on (s), and how it goes on to the next. */
export interface Moment {
  readonly at: number;
  readonly value: string;
  readonly easing: Easing;
}

const HOLD: Easing = { type: 'hold' };

/** Seconds of a clock value (SMIL 3, 5.4.5; CSS time); null where it is none. */
function secondsOf(text: string | undefined): number | null {
  const plain = /^([+-]?(?:\d+(?:\.\d*)?|\.\d+))(h|min|s|ms)?$/.exec((text ?? '').trim());
  const clock = /^(?:(\d+):)?(\d{1,2}):(\d{1,2}(?:\.\d+)?)$/.exec((text ?? '').trim());
  const seconds = plain
    ? Number(plain[1]) * { h: 3600, min: 60, s: 1, ms: 0.001 }[plain[2] ?? 's']!
    : clock && Number(clock[1] ?? 0) * 3600 + Number(clock[2]) * 60 + Number(clock[3]);
  return seconds !== null && Number.isFinite(seconds) ? seconds : null;
}

/** Moments that follow a value, before and after which it is what it is at other times. */
function within(moments: Moment[], base: string, before: boolean, after: boolean): Moment[] {
  const [first, last] = [moments[0]!, moments.at(-1)!];
  return [
    ...(before && first.at > 0 ? [{ at: 0, value: base, easing: HOLD }] : []),
    ...moments,
    // It is back at once: a moment later than its end.
    ...(after ? [{ at: last.at + 0.001, value: base, easing: HOLD }] : []),
  ];
}

/** The timeline of an `animate` element (SVG Animations 2); null where it can't be said as one. */
function ofAnimate({ attributes: a }: Element, base: string, { leftOut }: Reading): Moment[] | null {
  const dur = secondsOf(a.dur);
  const begin = a.begin === undefined ? 0 : secondsOf(a.begin.split(';')[0]);
  if (begin === null) leftOut.add('animations that wait for something');
  if (dur === null || dur <= 0 || begin === null) return null;
  const values = a.values
    ?.split(';')
    .map((value) => value.trim())
    .filter(Boolean) ?? [a.from ?? base, ...(a.to === undefined ? [] : [a.to])];
  if (values.length < 2) return null;
  const times = a.keyTimes?.split(';').map(Number);
  const even = !times || times.length !== values.length || a.calcMode === 'paced';
  const splines = a.calcMode === 'spline' ? (a.keySplines?.split(';') ?? []) : [];
  const count = a.calcMode === 'discrete' ? values.length : values.length - 1;
  if (a.repeatCount !== undefined && a.repeatCount !== '1') leftOut.add('repeats of animations');
  const moments = values.map((value, i): Moment => {
    const spline = splines[i]
      ?.trim()
      .split(/[\s,]+/)
      .map(Number);
    const curve = spline?.length === 4 ? readCss(`cubic-bezier(${spline.join(',')})`) : null;
    return {
      at: begin + dur * (even ? i / count : times[i]!),
      value,
      easing: a.calcMode === 'discrete' ? HOLD : (curve ?? LINEAR),
    };
  });
  // One that repeats for ever is never over.
  const stays = a.fill === 'freeze' || a.repeatCount === 'indefinite';
  return within(moments, base, true, !stays);
}

/** Words of a declaration, and lists of them: what stands in brackets belongs together. */
function apart(text: string, by: RegExp): string[] {
  const parts: string[] = [];
  let depth = 0;
  let from = 0;
  for (let i = 0; i <= text.length; i++) {
    const c = text.charAt(i);
    if (c === '(') depth++;
    else if (c === ')') depth--;
    if (i < text.length && (depth > 0 || !by.test(c))) continue;
    const part = text.slice(from, i).trim();
    if (part) parts.push(part);
    from = i + 1;
  }
  return parts;
}
const COMMA = /,/;
const SPACE = /\s/;

/** One animation that CSS names. */
interface Named {
  readonly name: string;
  readonly duration: number;
  readonly delay: number;
  readonly easing: Easing;
  readonly backwards: boolean;
  readonly forwards: boolean;
  readonly reversed: boolean;
  readonly repeats: boolean;
}

/** The animations that an element's declarations name (CSS Animations 1, 4). */
function namedBy(d: Declarations, isName: (name: string) => boolean): Named[] {
  const known = new Map<string, string[]>();
  const lists = (property: string): string[] => {
    const list = known.get(property) ?? apart(d[property] ?? '', COMMA);
    known.set(property, list);
    return list;
  };
  const shorthand = lists('animation').map((text) => apart(text, SPACE));
  const names = d['animation-name']
    ? lists('animation-name')
    : shorthand.map((words) => words.find(isName) ?? '');
  return names.map((name, i): Named => {
    const words = (shorthand[i] ?? []).filter((word) => word !== name);
    const own = (property: string): string | undefined => {
      const all = lists(property);
      return all[i % Math.max(1, all.length)];
    };
    const times = words.map(secondsOf).filter((time) => time !== null);
    const timing = own('animation-timing-function') ?? words.find((word) => readCss(word) !== null);
    const fill =
      own('animation-fill-mode') ?? words.find((word) => /^(forwards|backwards|both)$/.test(word)) ?? '';
    const direction = own('animation-direction') ?? words.find((word) => /reverse$/.test(word)) ?? '';
    const count =
      own('animation-iteration-count') ?? words.find((word) => /^(infinite|\d+(\.\d+)?)$/.test(word)) ?? '1';
    return {
      name,
      duration: secondsOf(own('animation-duration')) ?? times[0] ?? 0,
      delay: secondsOf(own('animation-delay')) ?? times[1] ?? 0,
      easing: (timing && readCss(timing)) || readCss('ease')!,
      backwards: fill === 'backwards' || fill === 'both',
      forwards: fill === 'forwards' || fill === 'both' || count === 'infinite',
      reversed: direction === 'reverse',
      repeats: count !== '1',
    };
  });
}

/** The timeline that CSS animations give a property; null where none of them touches it. */
function ofCss(reading: Reading, d: Declarations, property: string, base: string): Moment[] | null {
  const { keyframes, leftOut } = reading;
  const touching = namedBy(d, (name) => keyframes.has(name)).findLast(({ name }) =>
    keyframes.get(name)?.some(({ says }) => says[property] !== undefined),
  );
  if (!touching || !(touching.duration > 0)) return null;
  const { name, duration, delay, easing, backwards, forwards, reversed, repeats } = touching;
  if (repeats) leftOut.add('repeats of animations');
  const said = keyframes.get(name)!.filter(({ says }) => says[property] !== undefined);
  const frames = [
    ...(said[0]!.at > 0 ? [{ at: 0, says: { [property]: base } as Record<string, string> }] : []),
    ...said,
    ...(said.at(-1)!.at < 1 ? [{ at: 1, says: { [property]: base } as Record<string, string> }] : []),
  ];
  const ways = frames.map(
    ({ says }) => (says['animation-timing-function'] && readCss(says['animation-timing-function'])) || easing,
  );
  const moments = frames.map(({ at, says }, i): Moment => ({
    at: delay + duration * at,
    value: says[property]!,
    easing: ways[i]!,
  }));
  if (!reversed) return within(moments, base, !backwards, !forwards);
  // Gone through backwards, the way from one to the next is the other's, turned about.
  const back = frames.toReversed().map(({ at, says }, i): Moment => ({
    at: delay + duration * (1 - at),
    value: says[property]!,
    easing: reversedEasing(ways[frames.length - 2 - i] ?? easing),
  }));
  return within(back, base, !backwards, !forwards);
}

/** What a property of an element says through time, s; null where it stands. The last animation of it counts. */
export function timelineOf(
  reading: Reading,
  element: Element,
  d: Declarations,
  property: string,
  base: string,
): Moment[] | null {
  const animate = element.children.findLast(
    ({ name, attributes }) => name === 'animate' && attributes.attributeName === property,
  );
  return (animate && ofAnimate(animate, base, reading)) ?? ofCss(reading, d, property, base);
}
