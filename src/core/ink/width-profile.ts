import { z } from 'zod';
import { cubicPoint, keptIndices, type Cubic } from '../geometry';
import { clamp } from '../numbers';

const share = z.number().min(0).max(1);
const handle = z.strictObject({ at: z.number().min(-1).max(1), scale: z.number().min(-10).max(10) });

/**
 * A width along the stroke: its share (`scale`) of the full width at shares (`at`) of the length, in ascending order.
 * `in` and `out` are handles as offsets, as on a path; where there is none the silhouette is straight.
 */
export const widthsSchema = z
  .array(
    z.strictObject({
      at: share,
      scale: z.number().min(0).max(10),
      in: handle.exactOptional(),
      out: handle.exactOptional(),
    }),
  )
  .min(1)
  .max(500)
  .refine((all) => all.every((w, i) => i === 0 || w.at >= all[i - 1]!.at), {
    message: 'must stand in ascending order',
  })
  .readonly();
export type Widths = z.infer<typeof widthsSchema>;
export type WidthPoint = Widths[number];

/** Share of a width at a share of the length, as points of a line; what a profile is once its curves are laid out. */
export interface WidthShare {
  readonly at: number;
  readonly scale: number;
}

const turned = ({ at, scale }: { readonly at: number; readonly scale: number }) => ({ at: -at, scale });

/** The same widths along a stroke that is gone through the other way. */
export const mirroredWidths = (widths: Widths): Widths =>
  [...widths].reverse().map(({ at, scale, in: before, out: after }) => ({
    at: 1 - at,
    scale,
    ...(after && { in: turned(after) }),
    ...(before && { out: turned(before) }),
  }));

/** Lines to a curve of a profile: with 24 the silhouette of a 100 px pen is off by less than 0.1 px. */
const LINES = 24;

const flat = new WeakMap<Widths, readonly WidthShare[]>();

/** The profile as a line through many points. Handles reach at most to the neighbours, so that it never turns back. */
export function laidOut(widths: Widths): readonly WidthShare[] {
  const known = flat.get(widths);
  if (known) return known;
  const out: WidthShare[] = [];
  widths.forEach((p, i) => {
    out.push({ at: p.at, scale: p.scale });
    const q = widths[i + 1];
    if (!q || (!p.out && !q.in) || q.at <= p.at) return;
    const curve: Cubic = [
      p.at,
      p.scale,
      clamp(p.at + (p.out?.at ?? 0), p.at, q.at),
      p.scale + (p.out?.scale ?? 0),
      clamp(q.at + (q.in?.at ?? 0), p.at, q.at),
      q.scale + (q.in?.scale ?? 0),
      q.at,
      q.scale,
    ];
    for (let k = 1; k < LINES; k++) {
      const { x, y } = cubicPoint(curve, k / LINES);
      out.push({ at: x, scale: Math.max(0, y) });
    }
  });
  flat.set(widths, out);
  return out;
}

/** Share of the width at a share of the length: between two given ones along a line, held before and after. */
export function widthShareAt(widths: readonly WidthShare[], at: number): number {
  const last = widths.length - 1;
  if (at <= widths[0]!.at) return widths[0]!.scale;
  if (at >= widths[last]!.at) return widths[last]!.scale;
  let low = 0;
  let high = last;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (widths[middle]!.at <= at) low = middle;
    else high = middle;
  }
  const [a, b] = [widths[low]!, widths[high]!];
  return b.at > a.at ? a.scale + ((b.scale - a.scale) * (at - a.at)) / (b.at - a.at) : b.scale;
}

/** What a profile keeps when what lies between kept places is within a tolerance of a line between them. */
export function thinnedWidths(profile: readonly WidthShare[], tolerance: number): WidthShare[] {
  const off = (i: number, a: number, b: number): number => {
    const [p, q, here] = [profile[a]!, profile[b]!, profile[i]!];
    const t = q.at > p.at ? (here.at - p.at) / (q.at - p.at) : 0;
    return Math.abs(here.scale - (p.scale + (q.scale - p.scale) * t));
  };
  return keptIndices(profile.length, tolerance, off).map((i) => profile[i]!);
}

const smoothPoint = (at: number, scale: number, reach: number, slope = 0): WidthPoint => ({
  at,
  scale,
  ...(at > 0 && { in: { at: -Math.min(at, reach), scale: -slope * Math.min(at, reach) } }),
  ...(at < 1 && { out: { at: Math.min(1 - at, reach), scale: slope * Math.min(1 - at, reach) } }),
});

/** Profiles to begin with; null is the even pen. */
export const WIDTH_PRESETS = {
  even: null,
  brush: [smoothPoint(0, 0.2, 0.08, 2.2), smoothPoint(0.3, 1, 0.18), smoothPoint(1, 0.04, 0.4, -0.6)],
  reed: [
    smoothPoint(0, 0.75, 0.08),
    smoothPoint(0.22, 0.4, 0.12),
    smoothPoint(0.72, 0.5, 0.2),
    smoothPoint(1, 1, 0.12),
  ],
  wedge: [
    { at: 0, scale: 1 },
    { at: 1, scale: 0 },
  ],
  bead: [
    smoothPoint(0, 0.25, 0.1),
    smoothPoint(0.25, 1, 0.12),
    smoothPoint(0.5, 0.25, 0.12),
    smoothPoint(0.75, 1, 0.12),
    smoothPoint(1, 0.25, 0.1),
  ],
  'both ends fine': [smoothPoint(0, 0, 0.16, 2.6), smoothPoint(0.5, 1, 0.24), smoothPoint(1, 0, 0.16, -2.6)],
} as const satisfies Record<string, Widths | null>;
export type WidthPreset = keyof typeof WIDTH_PRESETS;
