import type { Blend } from '../document';
import type { Matrix, PathCommand, Point } from '../geometry';
import type { ColourRibbon, LinearGradient } from '../ink';

/** How an item meets what lies in its group: over it; cutting it away; leaving only what it covers; adding light to it. */
export type Operator = 'erase' | 'keep' | 'add';

interface Laid {
  /** 0..1, applied once to the whole item: a stroke that crosses itself is not doubled. */
  readonly opacity: number;
  /** Where absent, over. Operators make sense within a group. */
  readonly operator?: Operator;
  /** How its colours meet what it lies over, by the names of W3C Compositing and Blending. Not beside an operator. */
  readonly blend?: Blend;
}

interface Shown extends Laid {
  readonly path: readonly PathCommand[];
  /** #rrggbb, or a gradient in the coordinates of the path. */
  readonly colour: string | LinearGradient;
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

/** Items painted together over nothing, changed in the order of the fields below, and then laid down as one. */
export interface GroupItem extends Laid {
  readonly kind: 'group';
  /** Colours that lie under the items, for one of them to keep its shape of. */
  readonly ground?: ColourRibbon;
  readonly items: readonly DrawItem[];
  /** All of it in one colour, #rrggbb; its alpha stays. */
  readonly tint?: string;
  /** Standard deviation of a Gaussian blur, px. */
  readonly blur?: number;
  /** Its alpha becomes what its brightness was: luma of ITU-R BT.709, times the alpha it had. */
  readonly alphaFrom?: 'brightness';
  /** Alpha and colour times this, held to full. */
  readonly gain?: number;
  /** Moved by this, px. */
  readonly shift?: Point;
}

/** An item that is one shape. */
export type ShapeItem = StrokeItem | FillItem;
export type DrawItem = ShapeItem | GroupItem;

/** What one frame shows, in painting order, over nothing. Plain values: it can travel as JSON. */
export interface DrawList {
  readonly width: number;
  readonly height: number;
  readonly items: readonly DrawItem[];
}
