import { newStroke, type Ink, type Stroke } from '../../document';
import { meanScale, transformPath, type Matrix, type Path } from '../../geometry';
import { isKeyed, mapValues, type Animated } from '../../timing';

/** What of a path is inked through time: shares of its length; frames count from the beginning of the file. */
export interface MovingWindow {
  readonly head: Animated;
  readonly tail: Animated;
  readonly slide: Animated;
}

/** A stroke that a file holds, with its timing. */
export interface MovingStroke {
  readonly name: string;
  readonly path: Path;
  readonly ink: Ink;
  readonly window: MovingWindow;
}

/** Keys at other frames: a file counts its own. */
const atRate = <V>(animated: Animated<V>, factor: number): Animated<V> =>
  isKeyed(animated)
    ? { keys: animated.keys.map((key) => ({ ...key, frame: Math.round(key.frame * factor * 1000) / 1000 })) }
    : animated;

/** A window whose keys count otherwise; `factor` is frames of the piece to one of the file. */
export const windowAtRate = ({ head, tail, slide }: MovingWindow, factor: number): MovingWindow => ({
  head: atRate(head, factor),
  tail: atRate(tail, factor),
  slide: atRate(slide, factor),
});

/**
 * A stroke of a file as one of a piece.
 * @param transform from the file's pixels to the piece's.
 * @param factor frames of the piece to one of the file.
 */
export function strokeOfMoving(
  id: string,
  { name, path, ink, window }: MovingStroke,
  transform: Matrix,
  factor: number,
): Stroke {
  const width = mapValues(atRate(ink.width, factor), (w) => Math.max(0.5, w * meanScale(transform)));
  return {
    ...newStroke(id, name, transformPath(path, transform), {
      ...ink,
      width,
      colour: atRate(ink.colour, factor),
    }),
    window: windowAtRate(window, factor),
  };
}
