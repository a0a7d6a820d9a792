import { rampAt } from '../../colour';
import type { PathCommand } from '../../geometry';
import type { DrawItem } from '../../draw';
import { isRibbon, RIB_S, RIB_SIZE, ribAt, type ColourRibbon } from '../../ink';
import { clamp } from '../../numbers';
import type { TrackItem } from './track';

/** How much of a gradient one slice of a single colour may span, and how far it reaches under the next, px. */
const STEP = 1 / 64;
const LAP = 0.75;
/** Pixels that the ground is wider than the stroke, as where it is painted. */
const HEM = 2.5;

interface Rib {
  readonly x: number;
  readonly y: number;
  readonly alongX: number;
  readonly alongY: number;
  readonly share: number;
  readonly half: number;
}

const between = (a: Rib, b: Rib, t: number): Rib => {
  const mix = (p: number, q: number) => p + (q - p) * t;
  const [x, y] = [mix(a.alongX, b.alongX), mix(a.alongY, b.alongY)];
  const size = Math.hypot(x, y) || 1;
  return {
    x: mix(a.x, b.x),
    y: mix(a.y, b.y),
    alongX: x / size,
    alongY: y / size,
    share: mix(a.share, b.share),
    half: mix(a.half, b.half),
  };
};

/** The ribs of what a ribbon inks, ends included; round a closed path they go on where it passes its first point. */
function inkedRibs(ribbon: ColourRibbon): Rib[] {
  const { ribs, inked, span } = ribbon;
  const lengths = Array.from({ length: ribs.length / RIB_SIZE }, (_, i) => ribs[i * RIB_SIZE + RIB_S]!);
  const whole = lengths.at(-1)!;
  const rounds = inked.to > whole ? [0, whole] : [0];
  const inner = rounds.flatMap((round) => lengths.map((s) => s + round));
  const within = inner.filter((s) => s > inked.from && s < inked.to);
  const size = Math.max(1e-6, span.to - span.from);
  return [...new Set([inked.from, ...within, inked.to])].map((s) => {
    const { x, y, alongX, alongY, half } = ribAt(ribbon, s > whole ? s - whole : s);
    return { x, y, alongX, alongY, half, share: (s - span.from) / size };
  });
}

const known = new WeakMap<ColourRibbon, readonly Rib[]>();

function ribsOf(ribbon: ColourRibbon): readonly Rib[] {
  let ribs = known.get(ribbon);
  if (!ribs) known.set(ribbon, (ribs = inkedRibs(ribbon)));
  return ribs;
}

const taken = new WeakMap<DrawItem, TrackItem>();

/**
 * An item as formats can have it, which know no colours along a line: coloured ground, of which the line's shape is kept. That is
 * white, so that who reads a matte by its brightness reads the same. The same item again for the same one.
 */
export function grounded(item: DrawItem): TrackItem {
  let found = taken.get(item);
  if (!found) taken.set(item, (found = ground(item)));
  return found;
}

function ground(item: DrawItem): TrackItem {
  if (item.kind === 'group') return { ...item, items: item.items.map(grounded) };
  const { colour } = item;
  if (!isRibbon(colour)) return { ...item, colour };
  const { operator, blend, ...over } = item;
  return {
    kind: 'group',
    opacity: item.opacity,
    ...(operator && { operator }),
    ...(blend && { blend }),
    ground: colour,
    items: [{ ...over, opacity: 1, colour: '#ffffff', operator: 'keep' }],
  };
}

/** A part of a ribbon in one colour. */
interface Slice {
  readonly path: readonly PathCommand[];
  readonly colour: string;
  readonly opacity: number;
}

/** A ribbon of colour as slices, each of one colour, the later over the earlier. */
export function slicesOf(ribbon: ColourRibbon): readonly Slice[] {
  const all = ribsOf(ribbon);
  const slices: [Rib, Rib][] = [];
  for (let i = 0; i + 1 < all.length; i++) {
    const [a, b] = [all[i]!, all[i + 1]!];
    const parts = Math.max(1, Math.ceil(Math.abs(b.share - a.share) / STEP));
    for (let k = 0; k < parts; k++) slices.push([between(a, b, k / parts), between(a, b, (k + 1) / parts)]);
  }
  return slices.map(([a, b], i): Slice => {
    const back = i === 0 ? ribbon.reach : 0;
    const on = i === slices.length - 1 ? ribbon.reach : LAP;
    const corner = ({ x, y, alongX, alongY, half }: Rib, side: 1 | -1, ahead: number) => {
      const wide = (half + HEM) * side;
      return [x + alongX * ahead - alongY * wide, y + alongY * ahead + alongX * wide] as const;
    };
    const share = clamp((a.share + b.share) / 2, 0, 1);
    const { colour, opacity } = rampAt(ribbon.stops, share);
    return {
      path: [
        ['M', ...corner(a, 1, -back)],
        ['L', ...corner(b, 1, on)],
        ['L', ...corner(b, -1, on)],
        ['L', ...corner(a, -1, -back)],
        ['Z'],
      ],
      colour,
      opacity,
    };
  });
}

/** Whether one ribbon lies on another: what is kept of it may as well be kept of the other. */
function liesOn(part: ColourRibbon, whole: ColourRibbon): boolean {
  if (part === whole) return true;
  if (JSON.stringify(part.stops) !== JSON.stringify(whole.stops)) return false;
  const ribs = ribsOf(whole);
  return ribsOf(part).every((rib) =>
    ribs.some((a, i) => {
      const b = ribs[i + 1];
      if (!b || rib.share < a.share - 1e-6 || rib.share > b.share + 1e-6) return false;
      const t = b.share > a.share ? (rib.share - a.share) / (b.share - a.share) : 0;
      const on = between(a, b, t);
      return Math.hypot(on.x - rib.x, on.y - rib.y) < 1.5 && rib.half <= on.half + 0.5;
    }),
  );
}

/**
 * The ground of a group through time: the one of all frames where each lies on the longest, as what is kept of it says how much
 * is seen; else each with the frames at which it is there.
 */
export function groundsOf(
  items: readonly ({ readonly ground?: ColourRibbon } | null)[],
): readonly { readonly ground: ColourRibbon; readonly at: readonly boolean[] }[] {
  const grounds = items.map((item) => item?.ground ?? null);
  const known = [...new Set(grounds.filter((one) => one !== null))];
  if (known.length === 0) return [];
  const longest = known.reduce((a, b) => (ribsOf(b).length > ribsOf(a).length ? b : a));
  if (known.every((one) => liesOn(one, longest))) return [{ ground: longest, at: grounds.map(() => true) }];
  return known.map((ground) => ({ ground, at: grounds.map((one) => one === ground) }));
}
