import type { Point } from '@/core/geometry';
import type { Snapped } from '@/core/snap';
import type { PointerInput } from '../tools/tool';

/** Words to show beside the pointer, and what a place was drawn to. */
export type Told = string | { readonly says: string; readonly snap: Snapped };

/** Something on the canvas that can be taken hold of. */
export interface Grip {
  /** In piece pixels. */
  readonly at: Point;
  readonly shape: 'square' | 'dot' | 'turn' | 'cross';
  readonly cursor: string;
  /** Takes hold; every move of the pointer changes the document from how it was then, and answers with words to show. */
  readonly take: (from: PointerInput) => (to: PointerInput) => Told;
}

/** Grips, and the lines that belong to them: closed rings and open lines, in piece pixels. */
export interface Grips {
  readonly lines: readonly (readonly Point[])[];
  readonly grips: readonly Grip[];
}

export const NO_GRIPS: Grips = { lines: [], grips: [] };
