import type { Matrix, PathCommand } from '../geometry';

interface Shown {
  readonly path: readonly PathCommand[];
  /** #rrggbb */
  readonly colour: string;
  /** 0..1, applied once to the whole item: a stroke that crosses itself is not doubled. */
  readonly opacity: number;
}

/** A path drawn with a pen of constant width (px, in the units of `transform` where there is one). */
export interface StrokeItem extends Shown {
  readonly kind: 'stroke';
  readonly width: number;
  readonly cap: 'butt' | 'round' | 'square';
  readonly join: 'miter' | 'round' | 'bevel';
  /** Where absent, the default of SVG 2: 4. */
  readonly miterLimit?: number;
  readonly dashes?: readonly number[];
  readonly dashPhase?: number;
  /** Art keeps its own units, so that a pen in them may be drawn out of round. */
  readonly transform?: Matrix;
}

/** A closed shape, filled by the nonzero rule unless it says otherwise. */
export interface FillItem extends Shown {
  readonly kind: 'fill';
  readonly rule?: 'evenodd';
}

export type DrawItem = StrokeItem | FillItem;

/** What one frame shows, in painting order, over nothing. Plain values: it can travel as JSON. */
export interface DrawList {
  readonly width: number;
  readonly height: number;
  readonly items: readonly DrawItem[];
}
