import { z } from 'zod';
import type { DrawItem, FillItem } from '../draw';
import { measurePath, parallelPath, pointAtLength, type MeasuredPath } from '../geometry';
import { disc, sweptOutline, type Colouring, type PenWidth } from '../ink';
import { clamp } from '../numbers';
import { check, keyedNumber, number } from '../properties';
import { effectKind, type Items, type StrokeNow, type Subject } from './effect';
import type { Now } from './now';
import { seeded } from './seeded';

const share = (name: string, initial: number) =>
  keyedNumber({ name, unit: 'share', min: 0, max: 1, initial });

const schema = z.strictObject({
  kind: z.literal('fluid ink'),
  /** How much its body swells and draws out, and how long drops live. */
  runniness: share('Runniness', 0.5),
  /** How far ink reaches out for other ink, px: what is nearer melts into it. */
  tension: keyedNumber({ name: 'Tension', unit: 'px', min: 0, max: 200, scales: 'size', initial: 10 }),
  wiggle: share('Wiggle', 0.3),
  drops: check('Drops', true),
  highlights: check('Highlights'),
  seed: number({ name: 'Seed', unit: 'number', min: 0, max: 9999, initial: 1 }),
});
type Fluid = Now<z.infer<typeof schema>>;

/** Frames over which speed is looked at, so that a body swells and settles without a jerk. */
const LOOK = 6;
/** Widths a frame at which a body is as drawn out as it gets. */
const FAST = 2 / 3;
/** Frames that a drop lives at the most. */
const LIFE = 30;
/** Drops stand so many widths apart, about. */
const APART = 1.7;

const eased = (t: number): number => {
  const k = clamp(t, 0, 1);
  return k * k * (3 - 2 * k);
};

/** How fast an end of a stroke runs, 0 at rest to 1, over the frames around. */
function activity(at: (frame: number) => number, frame: number, length: number, width: number): number {
  let way = 0;
  for (let k = -LOOK; k < LOOK; k++) way += Math.abs(at(frame + k + 1) - at(frame + k));
  return eased(((way / (2 * LOOK)) * length) / (FAST * Math.max(1, width)));
}

/** The first colour that items show. */
function colourOf(items: Items): Colouring | null {
  for (const item of items) {
    if (item.operator === 'keep' || item.operator === 'erase') continue;
    const own = item.kind === 'group' ? colourOf(item.items) : item.colour;
    if (own) return own;
  }
  return null;
}

interface Moving {
  readonly m: MeasuredPath;
  readonly now: StrokeNow;
  /** px along the path. */
  readonly head: number;
  readonly tail: number;
  readonly headRuns: number;
  readonly tailRuns: number;
}

/** A finer line has no body to be seen, px: it stays the stroke that it is. */
const FINEST = 0.25;
/** Places at which the width of a body is looked at. */
const MOST_BREAKS = 2000;

/** The body: a belly behind the running head, a neck behind that, drawn out towards a running tail. */
function penOf(effect: Fluid, { now, head, tail, headRuns, tailRuns }: Moving, frame: number): PenWidth {
  const { width } = now;
  const run = effect.runniness;
  const turn = effect.seed * 2.4;
  const at = (s: number): number => {
    const behind = (head - s) / width;
    const ahead = (s - tail) / width;
    const belly = 0.55 * run * headRuns * Math.exp(-(((behind - 0.7) / 0.7) ** 2));
    const neck = 0.45 * run * headRuns * Math.exp(-(((behind - 2.6) / 1.1) ** 2));
    const drawn = 0.6 * run * tailRuns * Math.exp(-Math.max(0, ahead) / 1.6);
    const waves =
      Math.sin(s / (0.9 * width) - frame * 0.35 + turn) + Math.sin(s / (0.53 * width) + frame * 0.21);
    const wiggle = 0.09 * effect.wiggle * Math.max(headRuns, tailRuns) * waves;
    return width * Math.max(0.12, 1 + belly - neck - drawn + wiggle);
  };
  const breaks: number[] = [];
  const step = Math.max(width / 3, (head - tail) / MOST_BREAKS);
  for (let s = tail; s < head; s += step) breaks.push(s);
  return { at, widest: width * (1.6 + 0.2 * effect.wiggle), breaks };
}

/** The frame at which a tail passed a length, looked for among the last ones; null where it did not. */
function passed(tailAt: (frame: number) => number, share: number, frame: number): number | null {
  let [low, high] = [frame - LIFE, frame];
  if (tailAt(low) >= share || tailAt(high) < share) return null;
  for (let i = 0; i < 16; i++) {
    const middle = (low + high) / 2;
    if (tailAt(middle) >= share) high = middle;
    else low = middle;
  }
  return high;
}

/** Drops of one stroke at a time. */
const MOST_DROPS = 2000;

/** Drops that the tail has let go: each where it was let go, falling a little behind, growing less. */
function drops(effect: Fluid, { m, now, tail }: Moving, subject: Subject): FillItem['path'] {
  const { frame, stroke } = subject;
  const tailAt = (at: number): number => stroke(at)?.tail ?? 0;
  const before = tailAt(frame - LIFE) * m.length;
  const gap = Math.max(APART * now.width, (tail - before) / MOST_DROPS);
  const path: FillItem['path'][number][] = [];
  for (
    let k = Math.max(1, Math.ceil(before / gap));
    k * gap < Math.min(m.length - now.width / 2, tail);
    k++
  ) {
    const random = seeded(effect.seed * 977 + k);
    const own = (k + (random() - 0.5) * 0.6) * gap;
    const since = passed(tailAt, own / m.length, frame);
    if (since === null) continue;
    const life = LIFE * (0.35 + 0.65 * effect.runniness) * (0.6 + 0.4 * random());
    const age = (frame - since) / life;
    if (age >= 1) continue;
    const r = now.width * (0.22 + 0.16 * random()) * (1 - age * age);
    // It runs on a little after the tail, ever slower, and sinks to its own side.
    const s = Math.min(m.length, own + now.width * 0.5 * eased(age * 1.4));
    const { x, y } = pointAtLength(m, s);
    const fall = now.width * 0.8 * effect.runniness * age * age;
    path.push(...disc(x, y + fall, r));
  }
  return path;
}

/** A stroke as liquid, in one colour; the items as they are where it stands still. */
function body(effect: Fluid, now: Items, subject: Subject): Items {
  const { frame, stroke } = subject;
  const own = stroke(frame);
  const colour = colourOf(now);
  if (!own || own.width < FINEST || !colour) return now;
  const m = measurePath(own.path);
  const [head, tail] = [own.head * m.length, own.tail * m.length].map((s) => clamp(s, 0, m.length));
  const headRuns = activity((at) => stroke(at)?.head ?? 0, frame, m.length, own.width);
  const tailRuns = activity((at) => stroke(at)?.tail ?? 0, frame, m.length, own.width);
  const moving: Moving = { m, now: own, head: head!, tail: tail!, headRuns, tailRuns };
  const items: DrawItem[] = [];
  const fallen = effect.drops ? drops(effect, moving, subject) : [];
  const rests = head! <= tail! || (headRuns === 0 && tailRuns === 0);
  if (rests && fallen.length === 0) return now;
  if (rests) items.push(...now);
  else {
    const pen = penOf(effect, moving, frame);
    const path = sweptOutline(own.path, pen, tail!, head!, {
      caps: { start: 'round', end: 'round' },
      join: 'round',
      miterLimit: 4,
    });
    items.push({ kind: 'fill', path, colour, opacity: 1 });
  }
  if (fallen.length > 0) items.push({ kind: 'fill', path: fallen, colour, opacity: 1 });
  return items;
}

/** A streak of light along the upper side of the body. */
function highlight({ path, width, head, tail }: StrokeNow): Items {
  const m = measurePath(path);
  const [from, to] = [tail * m.length + width * 0.6, head * m.length - width * 0.6];
  if (to - from < width * 0.3) return [];
  const aside = parallelPath(path, -width * 0.24);
  const beside = measurePath(aside).length / Math.max(1e-6, m.length);
  const pen: PenWidth = { at: () => width * 0.11, widest: width * 0.11, breaks: [] };
  const outline = sweptOutline(aside, pen, from * beside, to * beside, {
    caps: { start: 'round', end: 'round' },
    join: 'round',
    miterLimit: 4,
  });
  return [{ kind: 'fill', path: outline, colour: '#ffffff', opacity: 0.55 }];
}

/** Ink that runs together and drips. */
export const FLUID_INK = effectKind({
  name: 'Fluid ink',
  about: 'Ink that runs together and drips.',
  touches: 'shape',
  isSoft: true,
  redraws: true,
  schema,
  apply(effect, subject) {
    const { frame, items, kept, stroke } = subject;
    const now = items(frame);
    const liquid = body(effect, now, subject);
    if (liquid.length === 0) return now;
    const own = effect.highlights ? stroke(frame) : null;
    return kept([effect, now, ...(liquid === now ? [] : [frame])], () => {
      const deviation = effect.tension / 2;
      const melted: DrawItem =
        deviation > 0
          ? {
              kind: 'group',
              items: liquid,
              filters: [
                { kind: 'blur', deviation },
                { kind: 'sharpen', deviation },
              ],
              opacity: 1,
            }
          : { kind: 'group', items: liquid, opacity: 1 };
      return own ? [melted, ...highlight(own)] : [melted];
    });
  },
});
