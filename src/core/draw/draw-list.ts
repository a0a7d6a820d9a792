import type { Matrix, PathCommand, Point } from '../geometry';
import type { Colouring } from '../ink';
import type { Blend } from './blend';

/** How an item meets what lies in its group: cutting it away; leaving only what it covers; adding light to it; over it, and nowhere else. */
export type Operator = 'erase' | 'keep' | 'add' | 'atop';

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
  /**
   * Gradients are in the coordinates of the path, ribbons in those of the picture. Pens are never painted with radial
   * gradients: their shape is kept of a fill.
   */
  readonly colour: Colouring;
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

/** One change of a group's pixels. */
export type Filter =
  /** All of it in one colour, #rrggbb; its alpha stays. */
  | { readonly kind: 'tint'; readonly colour: string }
  /** A Gaussian blur of so much standard deviation, px. */
  | { readonly kind: 'blur'; readonly deviation: number }
  /** Its alpha becomes what its brightness was: luma of ITU-R BT.709, times the alpha it had. */
  | { readonly kind: 'alpha from brightness' }
  /** Alpha and colour times a factor, held to full. */
  | { readonly kind: 'gain'; readonly factor: number }
  /** Moved, px. */
  | { readonly kind: 'shift'; readonly by: Point }
  /** The soft edge of a blur of so much standard deviation (px) made a sharp one, where it was: alpha of a half stays. */
  | { readonly kind: 'sharpen'; readonly deviation: number };

/** What stands for items where a format of shapes has no word for them: a PNG as a data URL, and where it lies, px. */
export interface Picture {
  readonly href: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Items painted together over nothing, filtered, and then laid down as one. */
export interface GroupItem extends Laid {
  readonly kind: 'group';
  readonly items: readonly DrawItem[];
  /** Its items are moments of the same thing: not laid over one another, but their light summed, an even share of each. */
  readonly moments?: true;
  /** Done one after another. */
  readonly filters?: readonly Filter[];
  /** In files of shapes, instead of its items. */
  readonly picture?: Picture;
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
