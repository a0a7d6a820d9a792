import { arcCubics, type EllipseArc } from './arc';
import { corner, smooth, type Path, type PathPoint } from './path';
import { add, scale, type Point } from './point';

/** A straight stroke. */
export const lineShape = (a: Point, b: Point): Path => ({
  closed: false,
  points: [corner(a.x, a.y), corner(b.x, b.y)],
});

const KAPPA = (4 / 3) * (Math.SQRT2 - 1);

/** Points of cubics strung together, the last one shared with the first where the path is closed. */
function chained(cubics: ReturnType<typeof arcCubics>, closed: boolean): Path {
  const n = cubics.length;
  const points: PathPoint[] = cubics.map((c, i) => {
    const before = i > 0 ? cubics[i - 1]! : closed ? cubics[n - 1]! : null;
    return {
      x: c[0],
      y: c[1],
      in: before ? { x: before[4] - c[0], y: before[5] - c[1] } : { x: 0, y: 0 },
      out: { x: c[2] - c[0], y: c[3] - c[1] },
      kind: before ? 'smooth' : 'corner',
    };
  });
  if (!closed) {
    const last = cubics[n - 1]!;
    points.push({
      x: last[6],
      y: last[7],
      in: { x: last[4] - last[6], y: last[5] - last[7] },
      out: { x: 0, y: 0 },
      kind: 'corner',
    });
  }
  return { closed, points };
}

/**
 * A rectangle from its top left, clockwise, with round corners.
 * @param radius px, held to half the shorter side.
 */
export function rectangleShape(a: Point, b: Point, radius = 0): Path {
  const [x0, x1] = [Math.min(a.x, b.x), Math.max(a.x, b.x)];
  const [y0, y1] = [Math.min(a.y, b.y), Math.max(a.y, b.y)];
  const r = Math.min(radius, (x1 - x0) / 2, (y1 - y0) / 2);
  if (!(r > 0))
    return { closed: true, points: [corner(x0, y0), corner(x1, y0), corner(x1, y1), corner(x0, y1)] };
  const k = r * KAPPA;
  const leave = (x: number, y: number, dx: number, dy: number): PathPoint => ({
    x,
    y,
    in: { x: -dx * k, y: -dy * k },
    out: { x: 0, y: 0 },
    kind: 'smooth',
  });
  const enter = (x: number, y: number, dx: number, dy: number): PathPoint => ({
    x,
    y,
    in: { x: 0, y: 0 },
    out: { x: dx * k, y: dy * k },
    kind: 'smooth',
  });
  return {
    closed: true,
    points: [
      leave(x0 + r, y0, 1, 0),
      enter(x1 - r, y0, 1, 0),
      leave(x1, y0 + r, 0, 1),
      enter(x1, y1 - r, 0, 1),
      leave(x1 - r, y1, -1, 0),
      enter(x0 + r, y1, -1, 0),
      leave(x0, y1 - r, 0, -1),
      enter(x0, y0 + r, 0, -1),
    ],
  };
}

/** An ellipse within a box, begun at an angle (radians, 0 right, clockwise on the screen) and written either way. */
export function ellipseShape(a: Point, b: Point, start = -Math.PI / 2, clockwise = true): Path {
  const arc: EllipseArc = {
    centre: { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 },
    rx: Math.abs(b.x - a.x) / 2,
    ry: Math.abs(b.y - a.y) / 2,
    turn: 0,
    start,
    sweep: clockwise ? 2 * Math.PI : -2 * Math.PI,
  };
  return chained(arcCubics(arc), true);
}

/** A part of a circle from one end to the other that rises over its chord by a share of it; negative bends the other way. */
export function arcShape(a: Point, b: Point, rise: number): Path {
  const chord = Math.hypot(b.x - a.x, b.y - a.y);
  if (chord === 0 || Math.abs(rise) < 1e-4) return lineShape(a, b);
  const h = rise * chord;
  const radius = (chord * chord) / (8 * h) + h / 2;
  const [ux, uy] = [(b.x - a.x) / chord, (b.y - a.y) / chord];
  // To the left of the way on the screen is up; the centre lies on the other side.
  const centre = {
    x: (a.x + b.x) / 2 - uy * (radius - h),
    y: (a.y + b.y) / 2 + ux * (radius - h),
  };
  const start = Math.atan2(a.y - centre.y, a.x - centre.x);
  const end = Math.atan2(b.y - centre.y, b.x - centre.x);
  let sweep = end - start;
  if (rise > 0) while (sweep <= 0) sweep += 2 * Math.PI;
  else while (sweep >= 0) sweep -= 2 * Math.PI;
  return chained(
    arcCubics({ centre, rx: Math.abs(radius), ry: Math.abs(radius), turn: 0, start, sweep }),
    false,
  );
}

const onCircle = (centre: Point, radius: number, angle: number): PathPoint =>
  corner(centre.x + radius * Math.cos(angle), centre.y + radius * Math.sin(angle));

/** A regular polygon about a centre with its first corner toward an angle. */
export const polygonShape = (centre: Point, radius: number, sides: number, angle = -Math.PI / 2): Path => ({
  closed: true,
  points: Array.from({ length: sides }, (_, i) =>
    onCircle(centre, radius, angle + (i / sides) * 2 * Math.PI),
  ),
});

/** A star: outer and inner corners in turn. `depth` is the inner radius as a share of the outer one. */
export const starShape = (
  centre: Point,
  radius: number,
  tips: number,
  depth: number,
  angle = -Math.PI / 2,
): Path => ({
  closed: true,
  points: Array.from({ length: tips * 2 }, (_, i) =>
    onCircle(centre, i % 2 ? radius * depth : radius, angle + (i / tips) * Math.PI),
  ),
});

/** A spiral of Archimedes from its middle outward, ending at an angle; a point each eighth of a turn. */
export function spiralShape(centre: Point, radius: number, turns: number, angle = 0, clockwise = true): Path {
  const way = clockwise ? 1 : -1;
  const total = turns * 2 * Math.PI;
  const count = Math.max(4, Math.ceil(turns * 8));
  const growth = radius / total;
  const step = total / count;
  const points = Array.from({ length: count + 1 }, (_, i): PathPoint => {
    const t = i * step;
    const a = angle + way * (t - total);
    const r = growth * t;
    // The derivative of r(t)·e^(i·a); a third of a step along it is the handle of Hermite's cubic.
    const d = {
      x: growth * Math.cos(a) - way * r * Math.sin(a),
      y: growth * Math.sin(a) + way * r * Math.cos(a),
    };
    const out = scale(d, step / 3);
    const at = { x: centre.x + r * Math.cos(a), y: centre.y + r * Math.sin(a) };
    return {
      ...at,
      in: i === 0 ? { x: 0, y: 0 } : scale(out, -1),
      out: i === count ? { x: 0, y: 0 } : out,
      kind: i === 0 || i === count ? 'corner' : 'smooth',
    };
  });
  return { closed: false, points };
}

/**
 * A line that loops the loop on its way: a prolate cycloid from one point to another.
 * @param size height of a loop as a share of its length along the way.
 */
export function loopsShape(a: Point, b: Point, loops: number, size: number): Path {
  const chord = Math.hypot(b.x - a.x, b.y - a.y);
  if (chord === 0) return lineShape(a, b);
  const angle = Math.atan2(b.y - a.y, b.x - a.x);
  const radius = chord / (loops * 2 * Math.PI);
  const height = radius * (1 + 2 * size);
  const turn = (p: Point): Point => ({
    x: p.x * Math.cos(angle) - p.y * Math.sin(angle),
    y: p.x * Math.sin(angle) + p.y * Math.cos(angle),
  });
  const total = loops * 2 * Math.PI;
  const count = loops * 8;
  const step = total / count;
  // Begun and ended at the foot of a loop, where the line runs along the way.
  const at = (t: number): Point => ({ x: radius * t - height * Math.sin(t), y: -height * (1 - Math.cos(t)) });
  const slope = (t: number): Point => ({ x: radius - height * Math.cos(t), y: -height * Math.sin(t) });
  const points = Array.from({ length: count + 1 }, (_, i): PathPoint => {
    const t = i * step;
    const p = add(a, turn(at(t)));
    const out = scale(turn(slope(t)), step / 3);
    if (i === 0) return { ...p, in: { x: 0, y: 0 }, out, kind: 'corner' };
    if (i === count) return { ...p, in: scale(out, -1), out: { x: 0, y: 0 }, kind: 'corner' };
    return smooth(p.x, p.y, out);
  });
  return { closed: false, points };
}
