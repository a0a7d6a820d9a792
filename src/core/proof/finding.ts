import type { Piece } from '../document';
import type { Bounds } from '../geometry';

/** What a check of a piece is about. */
export type FindingKind =
  | 'bare spot'
  | 'seen too early'
  | 'safe area'
  | 'contrast'
  | 'reading time'
  | 'loose end'
  | 'flashes'
  | 'closing gap'
  | 'text';

/** Something in a piece that a viewer would stumble over, and what can be done about it. */
export interface Finding {
  /** The same for the same finding from one check to the next. */
  readonly id: string;
  readonly kind: FindingKind;
  /** What is wrong, with its numbers. */
  readonly words: string;
  /** The layers it is about. */
  readonly layers: readonly string[];
  /** A frame at which it is seen. */
  readonly frame: number;
  /** Where, in piece pixels; null where it is nowhere in particular. */
  readonly place: Bounds | null;
  /** A change that mends it, and what it does in a word or two. */
  readonly mend?: { readonly name: string; readonly edit: (piece: Piece) => Piece };
}
