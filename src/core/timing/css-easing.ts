import { CSS_EASE, LINEAR, type Easing } from './easing';

const short = (n: number): string => String(Number(n.toFixed(4)));

/** An easing as CSS writes it, where CSS can; else null. */
export function cssOf(easing: Easing): string | null {
  if (easing.type === 'linear') return 'linear';
  if (easing.type === 'bezier') {
    return `cubic-bezier(${[easing.x1, easing.y1, easing.x2, easing.y2].map(short).join(', ')})`;
  }
  if (easing.type === 'steps') return `steps(${easing.count}, jump-${easing.jump})`;
  if (easing.type === 'list') {
    return `linear(${easing.points.map((p) => `${short(p.value)} ${short(p.at * 100)}%`).join(', ')})`;
  }
  return null;
}

const NUMBER = '[+-]?(?:\\d+(?:\\.\\d*)?|\\.\\d+)(?:e[+-]?\\d+)?';

/** The stops of linear(): a value with none, one or two places; places not given are spread evenly between (Level 2). */
function readList(text: string): Easing | null {
  const points: { value: number; at: number | null }[] = [];
  for (const part of text.split(',')) {
    const words = part.trim().split(/\s+/);
    const values = words.filter((word) => !word.endsWith('%')).map(Number);
    const places = words.filter((word) => word.endsWith('%')).map((word) => Number(word.slice(0, -1)) / 100);
    const [value] = values;
    if (values.length !== 1 || places.length > 2 || ![value!, ...places].every(Number.isFinite)) return null;
    if (places.length === 0) points.push({ value: value!, at: null });
    for (const at of places) points.push({ value: value!, at });
  }
  if (points.length < 2) return null;
  points[0]!.at ??= 0;
  points.at(-1)!.at ??= 1;
  let most = -Infinity;
  for (const point of points) if (point.at !== null) point.at = most = Math.max(most, point.at);
  const set = points.map((point, i) => {
    if (point.at !== null) return { at: point.at, value: point.value };
    const from = points.findLastIndex((p, k) => k < i && p.at !== null);
    const to = points.findIndex((p, k) => k > i && p.at !== null);
    const [a, b] = [points[from]!.at!, points[to]!.at!];
    return { at: a + ((b - a) * (i - from)) / (to - from), value: point.value };
  });
  const bounded = set.every((p) => p.at >= -1 && p.at <= 2 && Math.abs(p.value) <= 10);
  return bounded && set.length <= 500 ? { type: 'list', points: set } : null;
}

/** Reads an easing as CSS writes it (Easing Functions Levels 1 and 2), or four numbers alone; null where it is none. */
export function readCss(text: string): Easing | null {
  const plain = text.trim().toLowerCase();
  if (plain === 'linear') return LINEAR;
  if (plain in CSS_EASE) return CSS_EASE[plain as keyof typeof CSS_EASE];
  if (plain === 'step-start') return { type: 'steps', count: 1, jump: 'start' };
  if (plain === 'step-end') return { type: 'steps', count: 1, jump: 'end' };
  const list = /^linear\((.*)\)$/s.exec(plain);
  if (list) return readList(list[1]!);
  const steps = /^steps\(\s*(\d+)\s*(?:,\s*(?:jump-)?(start|end|none|both)\s*)?\)$/.exec(plain);
  if (steps) {
    const [count, jump] = [Number(steps[1]), (steps[2] ?? 'end') as 'end'];
    return count < 1 || count > 1000 || (count < 2 && (jump as string) === 'none')
      ? null
      : { type: 'steps', count, jump };
  }
  const curve = new RegExp(
    `^(?:cubic-bezier\\()?\\s*(${NUMBER})\\s*,\\s*(${NUMBER})\\s*,\\s*(${NUMBER})\\s*,\\s*(${NUMBER})\\s*\\)?$`,
  ).exec(plain);
  if (!curve) return null;
  const [x1, y1, x2, y2] = curve.slice(1).map(Number) as [number, number, number, number];
  const good = x1 >= 0 && x1 <= 1 && x2 >= 0 && x2 <= 1 && Math.abs(y1) <= 10 && Math.abs(y2) <= 10;
  return good ? { type: 'bezier', x1, y1, x2, y2 } : null;
}
