import { hexOf, oklabOf } from './mix';

/** A colour and its opacity (0..1) at a share of a gradient. */
export interface Stop {
  readonly at: number;
  readonly colour: string;
  readonly opacity: number;
}

/**
 * Colour and opacity at a share of a gradient, interpolated in OKLab, premultiplied (CSS Color 4, 12.3): a transparent
 * stop lends its opacity and not its colour. Before the first and after the last stop the gradient holds.
 * @param stops one at least, in ascending order of `at`.
 */
export function rampAt(stops: readonly Stop[], at: number): Stop {
  const last = stops.length - 1;
  if (at <= stops[0]!.at) return { ...stops[0]!, at };
  if (at >= stops[last]!.at) return { ...stops[last]!, at };
  let i = 0;
  while (stops[i + 1]!.at <= at) i++;
  const [p, q] = [stops[i]!, stops[i + 1]!];
  const t = (at - p.at) / (q.at - p.at);
  const opacity = p.opacity + (q.opacity - p.opacity) * t;
  if (p.colour === q.colour) return { at, colour: p.colour, opacity };
  if (opacity === 0) return { at, colour: p.colour, opacity };
  const [a, b] = [oklabOf(p.colour), oklabOf(q.colour)];
  const [u, v] = [(p.opacity * (1 - t)) / opacity, (q.opacity * t) / opacity];
  return { at, colour: hexOf({ l: a.l * u + b.l * v, a: a.a * u + b.a * v, b: a.b * u + b.b * v }), opacity };
}

/** The stops in order, those that were keyed past one another too. */
export const sortedStops = (stops: readonly Stop[]): Stop[] => [...stops].sort((a, b) => a.at - b.at);

/** Steps of the ramp between two neighbouring stops that a painter may join in sRGB without a visible difference. */
const STEPS = 16;

const spread = new WeakMap<readonly Stop[], readonly Stop[]>();

/** The same gradient with so many stops that joining them in sRGB, as canvases do, shows what OKLab would. */
export function denseStops(stops: readonly Stop[]): readonly Stop[] {
  const known = spread.get(stops);
  if (known) return known;
  const out: Stop[] = [];
  stops.forEach((stop, i) => {
    out.push(stop);
    const next = stops[i + 1];
    if (!next || (next.colour === stop.colour && next.opacity === stop.opacity) || next.at <= stop.at) return;
    for (let k = 1; k < STEPS; k++) out.push(rampAt(stops, stop.at + ((next.at - stop.at) * k) / STEPS));
  });
  spread.set(stops, out);
  return out;
}
