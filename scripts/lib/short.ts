import type { Path } from '../../src/core/geometry';

/** A number with so many digits as a sample document needs. */
export const short = (n: number, digits = 2): number => Number(n.toFixed(digits));

/** A path in numbers of two digits, moved by an offset. */
export const shortPath = (path: Path, x = 0, y = 0): Path => ({
  closed: path.closed,
  points: path.points.map((p) => ({
    x: short(p.x + x),
    y: short(p.y + y),
    in: { x: short(p.in.x), y: short(p.in.y) },
    out: { x: short(p.out.x), y: short(p.out.y) },
    kind: p.kind,
  })),
});
