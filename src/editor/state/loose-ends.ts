import { create } from 'zustand';
import { nearEnds, strokesOf, type NearEnd, type Piece } from '@/core/document';

/** Whether ends that nearly meet are marked, and how near they must be, px. */
export const useLooseEnds = create<{ shown: boolean; reach: number }>(() => ({ shown: false, reach: 12 }));

/** Ends as they were found last, by the layers they are of. */
const found = new WeakMap<Piece['layers'], { readonly reach: number; readonly ends: readonly NearEnd[] }>();

/** The ends of visible strokes that nearly meet another; found anew only when strokes changed. */
export function looseEndsOf(piece: Piece, reach: number): readonly NearEnd[] {
  const known = found.get(piece.layers);
  if (known?.reach === reach) return known.ends;
  const ends = nearEnds(
    strokesOf(piece).filter((s) => !s.hidden),
    reach,
  );
  found.set(piece.layers, { reach, ends });
  return ends;
}
