import { colourOfPaint, type ArtShape, type Ink } from '../../document';
import {
  compose,
  meanScale,
  pathsOf,
  readPathData,
  transformPath,
  type Matrix,
  type Path,
} from '../../geometry';

/**
 * The lines of shapes as strokes of their own: every piece of a stroked path, with its ink. Fills are left out.
 * @param transform from the file's units to piece pixels.
 */
export function strokesFromShapes(
  shapes: readonly ArtShape[],
  transform: Matrix,
): { path: Path; ink: Ink & { width: number } }[] {
  return shapes.flatMap((shape) => {
    const { line } = shape;
    if (!line) return [];
    const m = compose(transform, shape.transform);
    return pathsOf(readPathData(shape.data).commands).map((path) => ({
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
