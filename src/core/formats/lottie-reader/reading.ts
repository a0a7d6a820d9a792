import type { MovingStroke } from '../moving';
import type { Item } from './values';

/** One file while it is read. */
export interface Reading {
  /** The frame that counts as 0 in what is read now. */
  readonly from: number;
  /** When the layers that it lies in come and go, from that frame; null where they are always there. */
  readonly seen: readonly [from: number | null, to: number | null];
  readonly leftOut: Set<string>;
  readonly strokes: MovingStroke[];
  readonly assets: ReadonlyMap<string, Item>;
}
