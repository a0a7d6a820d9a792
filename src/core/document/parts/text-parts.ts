import type { Arrival, Lettering } from '../schema';

/** Some letters of a text that go together. */
interface TextPart {
  /** Number of the line it stands in. */
  readonly line: number;
  /** Places of its glyphs in the list of the set text. */
  readonly glyphs: readonly number[];
}

/** Where in a text its lines begin, those that it was broken into among them. */
function lineStarts({ setting, set }: Pick<Lettering, 'setting' | 'set'>): number[] {
  if (set.fitted && set.fitted.lines.length > 0) return [...set.fitted.lines];
  const starts = [0];
  for (let i = setting.text.indexOf('\n'); i >= 0; i = setting.text.indexOf('\n', i + 1)) starts.push(i + 1);
  return starts;
}

/** Where in a text its words begin. */
const wordStarts = (text: string): number[] => [...text.matchAll(/\S+/gu)].map((match) => match.index);

const lastAtOrBefore = (starts: readonly number[], at: number): number =>
  Math.max(
    0,
    starts.findLastIndex((start) => start <= at),
  );

const parts = new WeakMap<Lettering, Map<Arrival['by'], readonly TextPart[]>>();

/** The parts of a text that arrive one after another, in reading order. */
export function textParts(lettering: Lettering, by: Arrival['by']): readonly TextPart[] {
  let known = parts.get(lettering);
  if (!known) parts.set(lettering, (known = new Map()));
  let found = known.get(by);
  if (!found) known.set(by, (found = split(lettering, by)));
  return found;
}

function split(lettering: Lettering, by: Arrival['by']): TextPart[] {
  const lines = lineStarts(lettering);
  const words = wordStarts(lettering.setting.text);
  const groups = new Map<string, { first: number; line: number; glyphs: number[] }>();
  lettering.set.glyphs.forEach(({ cluster }, i) => {
    const line = lastAtOrBefore(lines, cluster);
    const part =
      by === 'line' ? 0 : by === 'word' ? lastAtOrBefore(words, cluster) : by === 'letter' ? cluster : 0;
    // All at once: still line by line, since each is cut off at its own edge.
    const key = `${line} ${part}`;
    const group = groups.get(key);
    if (group) group.glyphs.push(i);
    else groups.set(key, { first: cluster, line, glyphs: [i] });
  });
  return [...groups.values()].sort((a, b) => a.line - b.line || a.first - b.first);
}

/** Frames after which each of some parts sets out. */
export function delaysOf(count: number, arrival: Pick<Arrival, 'by' | 'order' | 'gap' | 'within'>): number[] {
  const steps = stepsOf(count, arrival);
  const most = Math.max(1, ...steps);
  const gap = Math.min(arrival.gap, (arrival.within ?? Infinity) / most);
  return steps.map((step) => step * gap);
}

/** Frames by which the last part of a text sets out later than the first. */
export const longestDelay = (text: Lettering): number =>
  text.arrival ? Math.max(0, ...delaysOf(textParts(text, text.arrival.by).length, text.arrival)) : 0;

/** After how many steps each of some parts sets out. */
export function stepsOf(count: number, { by, order }: Pick<Arrival, 'by' | 'order'>): number[] {
  const middle = (count - 1) / 2;
  return Array.from({ length: count }, (_, i) => {
    if (by === 'all') return 0;
    if (order === 'last to first') return count - 1 - i;
    return order === 'from the middle' ? Math.floor(Math.abs(i - middle)) : i;
  });
}
