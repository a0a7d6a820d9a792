import type { Path, Point } from '@/core/geometry';

/** What a tool shows while it is at work, in piece pixels. */
export interface ToolMarks {
  readonly preview?: Path;
  readonly box?: { from: Point; to: Point };
  /** Words beside the pointer: the number that a drag changes. */
  readonly says?: { at: Point; text: string };
  /** Lines that show what a place was drawn to. */
  readonly hairlines?: readonly (readonly [Point, Point])[];
  /** The pen's way since it was put down. */
  readonly trail?: readonly Point[];
  /** Strokes tapped in their new order. */
  readonly tapped?: readonly string[];
}
