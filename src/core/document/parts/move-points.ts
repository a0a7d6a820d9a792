import type { Path, Point } from '../../geometry';

/** Moves points (all, where no indices are given) by an offset; handles go with their points. */
export function movePoints(path: Path, by: Point, indices?: readonly number[]): Path {
  return {
    ...path,
    points: path.points.map((p, i) =>
      !indices || indices.includes(i) ? { ...p, x: p.x + by.x, y: p.y + by.y } : p,
    ),
  };
}
