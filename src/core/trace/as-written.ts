import { measurePath, reversePath, withFirstPoint } from '../geometry';
import { widthShareAt, type WidthShare } from '../ink';
import type { TracedStroke } from './centre-lines';
import { goesBackward, ringStart, type WritingDirection } from './direction';

/** Turns a stroke round where a hand would write it the other way; a ring begins where it would. */
export function asWritten(stroke: TracedStroke, direction: WritingDirection): TracedStroke {
  let { path } = stroke;
  if (path.points.length < 2) return stroke;
  const turned = goesBackward(path, direction);
  if (turned) path = reversePath(path);
  let { widths } = stroke;
  if (turned && widths) widths = [...widths].reverse().map(({ at, scale }) => ({ at: 1 - at, scale }));
  if (path.closed) {
    const first = ringStart(path, direction);
    const m = measurePath(path);
    if (widths && first > 0) widths = begunAt(widths, m.starts[first]! / m.length);
    path = withFirstPoint(path, first);
  }
  if (!turned) return { ...stroke, path, widths };
  return { ...stroke, path, widths, freeStart: stroke.freeEnd, freeEnd: stroke.freeStart };
}

/** Widths round a ring, counted from another place on it. */
export function begunAt(widths: readonly WidthShare[], start: number): WidthShare[] {
  const scale = widthShareAt(widths, start);
  const turned = widths
    .map((w) => ({ ...w, at: (w.at - start + 1) % 1 }))
    .filter((w) => w.at > 1e-6 && w.at < 1 - 1e-6)
    .sort((a, b) => a.at - b.at);
  return [{ at: 0, scale }, ...turned, { at: 1, scale }];
}
