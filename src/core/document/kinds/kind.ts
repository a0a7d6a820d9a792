import type { Bounds, Path, Point } from '../../geometry';
import type { Animated } from '../../timing';
import type { KeyedPart } from '../parts';
import type { Field, Layer } from '../schema';

/** What is known of a kind of layer: how it stands, moves, is coloured and has a place in time. */
export interface LayerKind<L extends Layer = Layer> {
  /** The rectangle that lines and boxes round it keep to, as it was made; null where there is nothing. */
  box(layer: L): Bounds | null;
  /** The line it is, by which it is taken hold of; null where it is taken hold of by its rectangle. */
  path(layer: L): Path | null;
  /** Moved as it was made, px. */
  moved(layer: L, by: Point): L;
  /** Whether it is moved by its placement, and so by ways in the picture; others move as they were made. */
  readonly movesByPlacement: boolean;
  /** Whether it is sized by the corners of its rectangle. */
  readonly hasCorners: boolean;
  /** Scaled as it was made about a point; widths of ink and sizes of type grow along. */
  scaled(layer: L, factor: number, about: Point): L;
  /** The colour that stands for it where there is room for one; null where it has none. */
  colour(layer: L): string | null;
  /** The one colour that can be changed as a whole; null where it has none, or more than one. */
  ownColour(layer: L): string | null;
  recoloured(layer: L, colour: string): L;
  /** What of it may be filled in anew each time it is used, its colour aside. */
  fields(layer: L): readonly Field['kind'][];
  /** What a field of a kind other than colour shows of it; null where it has nothing of the kind. */
  held(layer: L, kind: Field['kind']): string | number | null;
  /** With what a field of a number fills changed by a rule; `share` is the rule for shares of a path. */
  grown(layer: L, number: (value: Animated) => Animated, share: (value: Animated) => Animated): L;
  /** The keyed part that tells most of how it comes and goes; null where a window or nothing does. */
  lead(layer: L): KeyedPart | null;
  /** With what has a place in time besides keys at the frames that a rule gives; lengths of time grow by the factor. */
  retimed(layer: L, at: (frame: number) => number, factor: number): L;
}

/** What is so for most kinds. */
export const PLAIN = {
  path: () => null,
  movesByPlacement: false,
  hasCorners: true,
  held: () => null,
  grown: <L extends Layer>(layer: L): L => layer,
  lead: () => null,
  ownColour: () => null,
  recoloured: <L extends Layer>(layer: L): L => layer,
  fields: () => [],
  retimed: <L extends Layer>(layer: L): L => layer,
} as const;
