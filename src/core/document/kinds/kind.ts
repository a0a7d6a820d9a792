import type { Bounds, Point } from '../../geometry';
import type { Field } from '../field-schema';
import type { Layer } from '../schema';

/** What is known of a kind of layer: how it stands, moves, is coloured and has a place in time. */
export interface LayerKind<L extends Layer = Layer> {
  /** The rectangle that lines and boxes round it keep to, as it was made; null where there is nothing. */
  box(layer: L): Bounds | null;
  /** Moved as it was made, px. */
  moved(layer: L, by: Point): L;
  /** Scaled as it was made about a point; widths of ink and sizes of type grow along. */
  scaled(layer: L, factor: number, about: Point): L;
  /** The colour that stands for it where there is room for one; null where it has none. */
  colour(layer: L): string | null;
  /** The one colour that can be changed as a whole; null where it has none, or more than one. */
  ownColour(layer: L): string | null;
  recoloured(layer: L, colour: string): L;
  /** What of it may be filled in anew each time it is used, its colour aside. */
  fields(layer: L): readonly Field['kind'][];
  /** With what has a place in time besides keys at the frames that a rule gives; lengths of time grow by the factor. */
  retimed(layer: L, at: (frame: number) => number, factor: number): L;
}

/** What is so for most kinds. */
export const PLAIN = {
  ownColour: () => null,
  recoloured: <L extends Layer>(layer: L): L => layer,
  fields: () => [],
  retimed: <L extends Layer>(layer: L): L => layer,
} as const;
