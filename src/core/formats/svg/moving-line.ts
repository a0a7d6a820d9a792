import type { Matrix } from '../../geometry';
import type { MovingWindow } from '../moving';

/** A line that is written by its dashes: which, and what of it is inked through time (frames are seconds). */
export interface MovingLine {
  /** Of the shape it is the line of. */
  readonly data: string;
  readonly transform: Matrix;
  /** One for each of its pieces. */
  readonly windows: readonly MovingWindow[];
}
