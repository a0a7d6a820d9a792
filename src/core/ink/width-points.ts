import { clamp } from '../numbers';
import { laidOut, widthShareAt, type WidthPoint, type Widths } from './width-profile';

/** The pen as wide from end to end. */
export const EVEN_WIDTHS: Widths = [
  { at: 0, scale: 1 },
  { at: 1, scale: 1 },
];

/** Most that a width may be of the full one, and that a handle may lead away from its point. */
const MOST = 10;
/** A handle never lies on its point: shorter than this it could not say which way it leads. */
const SHORTEST = 0.001;

/** A profile with another point in the place of one; it stays between its neighbours and within the bounds of widths. */
export function withWidthPoint(widths: Widths, index: number, to: WidthPoint): Widths {
  const [least, most] = [widths[index - 1]?.at ?? 0, widths[index + 1]?.at ?? 1];
  const point = { ...to, at: clamp(to.at, least, most), scale: clamp(to.scale, 0, MOST) };
  return widths.map((one, i) => (i === index ? point : one));
}

/** Which handle of a point: that before it, or that after it. */
export type WidthHandle = 'in' | 'out';

/**
 * A point with one of its handles led to a place (`at` a share of the length, `scale` of the width). Handles keep to their side;
 * the other one, where there is one, stays in line with it and as long along the stroke as it was.
 */
export function withWidthHandle(
  point: WidthPoint,
  side: WidthHandle,
  to: { readonly at: number; readonly scale: number },
): WidthPoint {
  const away = clamp(to.at - point.at, -1, 1);
  const at = side === 'out' ? Math.max(SHORTEST, away) : Math.min(-SHORTEST, away);
  const scale = clamp(to.scale - point.scale, -MOST, MOST);
  const opposite = side === 'out' ? 'in' : 'out';
  const other = point[opposite];
  return {
    ...point,
    [side]: { at, scale },
    ...(other && { [opposite]: { at: other.at, scale: clamp((scale / at) * other.at, -MOST, MOST) } }),
  };
}

/** A point of a profile with handles along the line between its neighbours, a third of the way to each. */
export function smoothWidthPoint(widths: Widths, index: number): WidthPoint {
  const { at, scale } = widths[index]!;
  const [before, after] = [widths[index - 1] ?? { at, scale }, widths[index + 1] ?? { at, scale }];
  const slope = after.at > before.at ? (after.scale - before.scale) / (after.at - before.at) : 0;
  const [back, on] = [(at - before.at) / 3, (after.at - at) / 3];
  return {
    at,
    scale,
    ...(back > 0 && { in: { at: -back, scale: -slope * back } }),
    ...(on > 0 && { out: { at: on, scale: slope * on } }),
  };
}

/** A point of a profile without handles: the silhouette is straight about it. */
export const straightWidthPoint = ({ at, scale }: WidthPoint): WidthPoint => ({ at, scale });

/** A profile with one point more, smooth and as wide as the profile was there; `index` is that of the new point. */
export function withNewWidthPoint(widths: Widths, at: number): { widths: Widths; index: number } {
  const place = clamp(at, 0, 1);
  const next = widths.findIndex((point) => point.at > place);
  const index = next < 0 ? widths.length : next;
  const scale = widthShareAt(laidOut(widths), place);
  const all = [...widths.slice(0, index), { at: place, scale }, ...widths.slice(index)];
  return { widths: withWidthPoint(all, index, smoothWidthPoint(all, index)), index };
}

/** A profile without one of its points; the last one stays. */
export const withoutWidthPoint = (widths: Widths, index: number): Widths =>
  widths.length < 2 ? widths : widths.filter((_, i) => i !== index);
