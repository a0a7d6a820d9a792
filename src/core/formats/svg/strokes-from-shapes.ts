import { colourOfPaint, type Ink } from '../../document';
import {
  compose,
  meanScale,
  pathsOf,
  readPathData,
  transformPath,
  type Matrix,
  type Path,
} from '../../geometry';
import type { MovingWindow } from '../moving';
import type { MovingLine } from './moving-line';
import type { ReadSvg } from './read-svg';

/** A line as a stroke, and, where its file moves it, what of it is inked through time (frames are seconds). */
interface StrokeOfShape {
  readonly path: Path;
  readonly ink: Ink & { readonly width: number };
  readonly window: MovingWindow | null;
}

/**
 * The lines of shapes as strokes of their own: every piece of a stroked path, with its ink. Fills are left out.
 * @param transform from the file's units to piece pixels.
 */
export function strokesFromShapes(
  { shapes, moving }: Pick<ReadSvg, 'shapes' | 'moving'>,
  transform: Matrix,
): StrokeOfShape[] {
  // Lines that lie on one another are written alike, each as the next of them.
  const byData = new Map<string, MovingLine[]>();
  const nameOf = ({ data, transform: m }: { readonly data: string; readonly transform: Matrix }) =>
    `${data} ${m.join()}`;
  for (const line of moving) byData.set(nameOf(line), [...(byData.get(nameOf(line)) ?? []), line]);
  return shapes.flatMap((shape) => {
    const { line } = shape;
    if (!line) return [];
    const m = compose(transform, shape.transform);
    const moves = byData.get(nameOf(shape))?.shift();
    return pathsOf(readPathData(shape.data).commands).map((path, i) => ({
      window: moves?.windows[i] ?? null,
      path: transformPath(path, m),
      ink: {
        width: line.width * meanScale(m),
        colour: colourOfPaint(line.colour),
        opacity: line.opacity,
        cap: line.cap,
        join: line.join,
      },
    }));
  });
}
