import { arcCubics } from './arc';
import type { Bounds } from './bounds';
import { corner, type Path, type PathPoint } from './path';
import type { Point } from './point';

export type CornerStyle = 'square' | 'rounded' | 'cut' | 'scooped' | 'stepped' | 'curled';

/** Draws one corner in its own frame: arriving along +x to the corner at (size, 0), leaving along +y to (size, size). */
type CornerDrawing = (size: number) => PathPoint[];

const none: Point = { x: 0, y: 0 };
const K = (4 / 3) * (Math.SQRT2 - 1);

const CORNERS: Record<CornerStyle, CornerDrawing> = {
  square: (s) => [corner(s, 0)],
  rounded: (s) => [
    { x: 0, y: 0, in: none, out: { x: K * s, y: 0 }, kind: 'smooth' },
    { x: s, y: s, in: { x: 0, y: -K * s }, out: none, kind: 'smooth' },
  ],
  cut: (s) => [corner(0, 0), corner(s, s)],
  // A quarter circle about the corner itself, bent inward.
  scooped: (s) => [
    { x: 0, y: 0, in: none, out: { x: 0, y: K * s }, kind: 'corner' },
    { x: s, y: s, in: { x: -K * s, y: 0 }, out: none, kind: 'corner' },
  ],
  stepped: (s) => [corner(0, 0), corner(0, s / 2), corner(s / 2, s / 2), corner(s / 2, s), corner(s, s)],
  curled: (s) => curl(s),
};

/** An ornament: the line runs past the corner, curls inward round a small loop, and comes back across itself. */
function curl(s: number): PathPoint[] {
  const r = s * 0.3;
  const centre = { x: s - r * 0.2, y: r * 0.2 };
  // Three quarters of a turn outside the corner, counter-clockwise, joined to both edges.
  const cubics = arcCubics({ centre, rx: r, ry: r, turn: 0, start: Math.PI * 0.75, sweep: Math.PI * 1.5 });
  const points: PathPoint[] = [{ x: 0, y: 0, in: none, out: { x: s * 0.35, y: 0 }, kind: 'smooth' }];
  cubics.forEach((c, i) => {
    points.push({
      x: c[0],
      y: c[1],
      in:
        i === 0
          ? { x: -(c[2] - c[0]) * 0.9, y: -(c[3] - c[1]) * 0.9 }
          : { x: cubics[i - 1]![4] - c[0], y: cubics[i - 1]![5] - c[1] },
      out: { x: c[2] - c[0], y: c[3] - c[1] },
      kind: 'smooth',
    });
  });
  const last = cubics.at(-1)!;
  points.push({
    x: last[6],
    y: last[7],
    in: { x: last[4] - last[6], y: last[5] - last[7] },
    out: { x: -(last[4] - last[6]) * 0.9, y: -(last[5] - last[7]) * 0.9 },
    kind: 'smooth',
  });
  points.push({ x: s, y: s, in: { x: 0, y: -s * 0.35 }, out: none, kind: 'smooth' });
  return points;
}

/**
 * A frame round a rectangle as one closed stroke, from the middle of its top edge clockwise, all corners alike.
 * @param size of the corners, px, held to half the shorter side.
 */
export function borderPath(box: Bounds, style: CornerStyle, size: number): Path {
  const w = box.right - box.left;
  const h = box.bottom - box.top;
  const s = style === 'square' ? 0 : Math.min(size, w / 2, h / 2);
  const drawn = CORNERS[style](s);
  const place = (turns: number, x: number, y: number): PathPoint[] => {
    const turn = (p: Point): Point => {
      let [a, b] = [p.x, p.y];
      for (let i = 0; i < turns; i++) [a, b] = [-b, a];
      return { x: a + 0, y: b + 0 };
    };
    return drawn.map((p) => {
      const at = turn(p);
      return { x: x + at.x, y: y + at.y, in: turn(p.in), out: turn(p.out), kind: p.kind };
    });
  };
  return {
    closed: true,
    points: [
      corner((box.left + box.right) / 2, box.top),
      ...place(0, box.right - s, box.top),
      ...place(1, box.right, box.bottom - s),
      ...place(2, box.left + s, box.bottom),
      ...place(3, box.left, box.top + s),
    ],
  };
}
