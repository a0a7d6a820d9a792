import {
  groupsAround,
  keyedParts,
  partOf,
  propertyOf,
  type Keyed,
  type Layer,
  type Part,
  type Piece,
} from '../document';
import { framesPerSecond, isKeyed, valueAt, type Animated } from '../timing';
import type { Finding } from './finding';
import { boxAt, type Look } from './look';

/** WCAG 2.2, 2.3.1: more flashes than this in any one second are too many. */
const MOST_FLASHES = 3;
/** Of full brightness: by so much it must change for a change to count (WCAG 2.2, general flash). */
const STEP = 0.1;
/** Share of a picture below which flashes are small enough: a quarter of 341 by 256 px of 1024 by 768 (WCAG 2.2, 2.3.1). */
const SMALL = (341 * 256) / 4 / (1024 * 768);

/** How strong a part lets something be seen at a frame, by what is known of it; null where it says nothing of that. */
function strengthOf(of: Keyed, part: string): ((frame: number) => number) | null {
  const value = partOf(of, part) as Animated | undefined;
  if (value === undefined || !isKeyed(value)) return null;
  const shows = propertyOf(of, part)?.shows ?? null;
  if (shows === null) return null;
  return (frame) => {
    const now = valueAt(value, frame);
    return shows === 'as strong' ? now : Number(now > 0 && now < 1);
  };
}

/** The frames at which something turns from growing stronger to growing weaker or back, by a step that counts. */
export function turns(strength: (frame: number) => number, length: number): number[] {
  const out: number[] = [];
  let [low, high] = [strength(0), strength(0)];
  let way = 0;
  for (let frame = 1; frame < length; frame++) {
    const now = strength(frame);
    [low, high] = [Math.min(low, now), Math.max(high, now)];
    const next = now - low >= STEP && way <= 0 ? 1 : high - now >= STEP && way >= 0 ? -1 : 0;
    if (next === 0) continue;
    out.push(frame);
    way = next;
    [low, high] = [now, now];
  }
  return out;
}

/** The frame from which there are more flashes in a second than may be: a flash is a change and its opposite. Null for none. */
export function flashesFrom(
  strength: (frame: number) => number,
  length: number,
  perSecond: number,
): number | null {
  const changes = turns(strength, length);
  const most = MOST_FLASHES * 2;
  const i = changes.findIndex((frame, k) => (changes[k + most] ?? Infinity) - frame < perSecond);
  return i < 0 ? null : changes[i]!;
}

/** What flashes faster than people may be shown, from its own timing and that of its effects. */
export function flashFindings({ piece, frame, through }: Look): Finding[] {
  const { width, height } = piece.size;
  const of = (one: Part, layers: readonly Layer[]): Finding[] => {
    const parts = keyedParts(one);
    for (const part of parts) {
      const strength = strengthOf(one, part);
      const from = strength && flashesFrom(strength, piece.length, framesPerSecond(piece.rate));
      if (from === null || from === undefined) continue;
      const boxes = layers.flatMap((layer) => boxAt(piece, layer, frame) ?? []);
      const area = boxes.reduce((sum, box) => sum + (box.right - box.left) * (box.bottom - box.top), 0);
      if (area < SMALL * width * height) continue;
      return [
        {
          id: `flash ${one.id}`,
          kind: 'flashes',
          words: `“${one.name}” flashes more than ${MOST_FLASHES} times in a second (WCAG 2.2, 2.3.1).`,
          layers: layers.map(({ id }) => id),
          frame: from,
          place: boxes[0] ?? null,
        },
      ];
    }
    return [];
  };
  const seen = piece.layers.filter((layer) => !layer.hidden && !through.has(layer.id));
  const inGroup = (id: string, p: Piece): Layer[] =>
    seen.filter((layer) => groupsAround(p, layer).some((group) => group.id === id));
  return [
    ...seen.flatMap((layer) => of(layer, [layer])),
    ...piece.groups.flatMap((group) => of(group, inGroup(group.id, piece))),
  ];
}
