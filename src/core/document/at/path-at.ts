import { inBetween, type Path } from '../../geometry';
import { blendAt, type Animated } from '../../timing';

/** A keyed shape at a frame: between two keys the one becomes the other. */
export const pathAt = (path: Animated<Path>, frame: number): Path =>
  blendAt(path, frame, (a, b, t) => inBetween(a, b)(t));
