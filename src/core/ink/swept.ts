import {
  measurePath,
  placeAtLength,
  pointAtLength,
  type Path,
  type PathCommand,
  type Point,
} from '../geometry';

/** Share of a width at shares of a length, in ascending order. */
export interface WidthShare {
  readonly at: number;
  readonly scale: number;
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

interface Disc extends Point {
  readonly r: number;
  /** Length along the path, px. */
  readonly s: number;
}

/** How far a disc between two others may stick out of what lies between them before it is set itself, px. */
const TOLERANCE = 0.06;

/** Discs of the pen along a stretch of a path, as many as the bends and the width ask for. */
function discs(path: Path, width: number, widths: readonly WidthShare[], from: number, to: number): Disc[] {
  const m = measurePath(path);
  const at = (s: number): Disc => {
    const wrapped = path.closed && s > m.length ? s - m.length : s;
    const p = pointAtLength(m, wrapped);
    return { ...p, s, r: (width / 2) * widthShareAt(widths, m.length > 0 ? wrapped / m.length : 0) };
  };
  // Where the path or the profile may break, a disc must stand.
  const stops = [from, to];
  for (const turn of path.closed ? [0, m.length] : [0]) {
    stops.push(...m.starts.map((s) => s + turn), ...widths.map((w) => w.at * m.length + turn));
  }
  const sorted = [...new Set(stops.filter((s) => s >= from && s <= to))].sort((a, b) => a - b);
  const out: Disc[] = [at(sorted[0]!)];
  const refine = (a: Disc, b: Disc, depth: number): void => {
    const middle = at((a.s + b.s) / 2);
    const off = Math.hypot(middle.x - (a.x + b.x) / 2, middle.y - (a.y + b.y) / 2);
    if (
      depth < 12 &&
      b.s - a.s > 0.5 &&
      (depth < 1 || off > TOLERANCE || Math.abs(middle.r - (a.r + b.r) / 2) > TOLERANCE)
    ) {
      refine(a, middle, depth + 1);
      refine(middle, b, depth + 1);
      return;
    }
    out.push(b);
  };
  for (let i = 1; i < sorted.length; i++) {
    const a = out.at(-1)!;
    const b = at(sorted[i]!);
    const straight =
      placeAtLength(m, a.s).segment === placeAtLength(m, b.s).segment && isFlat(path, m, a.s, b.s);
    if (straight) out.push(b);
    else refine(a, b, 0);
  }
  return out;
}

function isFlat(path: Path, m: ReturnType<typeof measurePath>, a: number, b: number): boolean {
  const middle = (a + b) / 2;
  const segment =
    m.segments[placeAtLength(m, path.closed && middle > m.length ? middle - m.length : middle).segment];
  return segment !== undefined && segment.lengths === null;
}

/** Handle length of an arc of `angle` as a share of the radius. */
const handle = (angle: number): number => (4 / 3) * Math.tan(angle / 4);

function arc(out: PathCommand[], c: Point, r: number, from: number, sweep: number): void {
  const pieces = Math.max(1, Math.ceil(Math.abs(sweep) / (Math.PI / 2) - 1e-9));
  const step = sweep / pieces;
  const k = handle(step) * r;
  for (let i = 0; i < pieces; i++) {
    const [a, b] = [from + i * step, from + (i + 1) * step];
    out.push([
      'C',
      c.x + r * Math.cos(a) - k * Math.sin(a),
      c.y + r * Math.sin(a) + k * Math.cos(a),
      c.x + r * Math.cos(b) + k * Math.sin(b),
      c.y + r * Math.sin(b) - k * Math.cos(b),
      c.x + r * Math.cos(b),
      c.y + r * Math.sin(b),
    ]);
  }
}

/** What a disc sweeps on its way to the next while its radius changes evenly: the hull of both, turning clockwise. */
function hull(out: PathCommand[], a: Disc, b: Disc): void {
  const d = Math.hypot(b.x - a.x, b.y - a.y);
  const [big, small] = a.r >= b.r ? [a, b] : [b, a];
  if (d <= big.r - small.r + 1e-9) {
    out.push(['M', big.x + big.r, big.y]);
    arc(out, big, big.r, 0, 2 * Math.PI);
    out.push(['Z']);
    return;
  }
  const along = Math.atan2(b.y - a.y, b.x - a.x);
  const open = Math.acos((a.r - b.r) / d);
  out.push(['M', b.x + b.r * Math.cos(along - open), b.y + b.r * Math.sin(along - open)]);
  arc(out, b, b.r, along - open, 2 * open);
  out.push(['L', a.x + a.r * Math.cos(along + open), a.y + a.r * Math.sin(along + open)]);
  arc(out, a, a.r, along + open, 2 * Math.PI - 2 * open);
  out.push(['Z']);
}

/** The straight-sided hull of a stretch without its round ends: what remains of a hull where the cap is flat. */
function trapezium(out: PathCommand[], a: Disc, b: Disc): void {
  const d = Math.hypot(b.x - a.x, b.y - a.y);
  if (d === 0) return;
  const [nx, ny] = [-(b.y - a.y) / d, (b.x - a.x) / d];
  out.push(
    ['M', a.x - nx * a.r, a.y - ny * a.r],
    ['L', b.x - nx * b.r, b.y - ny * b.r],
    ['L', b.x + nx * b.r, b.y + ny * b.r],
    ['L', a.x + nx * a.r, a.y + ny * a.r],
    ['Z'],
  );
}

/**
 * What a round pen of changing width leaves along a stretch of a path: every disc and what lies between them, to be
 * filled by the nonzero rule. All parts turn the same way, so that overlaps neither cancel nor double.
 * @param width full width, px; `widths` says its share along the length of the whole path.
 * @param from, to stretch in pixels along the path; on a closed path `to` may pass the whole length.
 * @param cap at both ends of the stretch; `square` adds half the width there.
 */
export function sweptOutline(
  path: Path,
  width: number,
  widths: readonly WidthShare[],
  from: number,
  to: number,
  cap: 'flat' | 'round' | 'square',
): PathCommand[] {
  const all = discs(path, width, widths, from, to).filter(
    (disc, i, list) => i === 0 || disc.s > list[i - 1]!.s,
  );
  const out: PathCommand[] = [];
  const whole = path.closed && to - from >= measurePath(path).length;
  const n = all.length;
  if (n === 1) return out;
  const round = whole || cap === 'round';
  for (let i = 1; i < n; i++) {
    const [a, b] = [all[i - 1]!, all[i]!];
    if (round) {
      hull(out, a, b);
      continue;
    }
    trapezium(out, a, b);
    // Inner joints are round; the ends are not.
    if (i < n - 1) {
      out.push(['M', b.x + b.r, b.y]);
      arc(out, b, b.r, 0, 2 * Math.PI);
      out.push(['Z']);
    }
  }
  if (cap === 'square' && !whole) {
    for (const [end, inner] of [
      [all[0]!, all[1]!],
      [all[n - 1]!, all[n - 2]!],
    ] as const) {
      const d = Math.hypot(end.x - inner.x, end.y - inner.y) || 1;
      const tip = {
        ...end,
        x: end.x + ((end.x - inner.x) / d) * end.r,
        y: end.y + ((end.y - inner.y) / d) * end.r,
      };
      trapezium(out, end, tip);
    }
  }
  return out;
}
