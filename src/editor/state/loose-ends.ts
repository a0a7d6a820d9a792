import { create } from 'zustand';
import { nearEnds, strokesOf, type NearEnd, type Piece } from '@/core/document';

/** Whether ends that nearly meet are marked, and how near they must be, px. */
export const useLooseEnds = create<{ shown: boolean; reach: number }>(() => ({ shown: false, reach: 12 }));

let last: { layers: Piece['layers']; reach: number; ends: readonly NearEnd[] } | null = null;

/** The ends of visible strokes that nearly meet another; found anew only when strokes changed. */
export function looseEndsOf(piece: Piece, reach: number): readonly NearEnd[] {
  if (!last || last.layers !== piece.layers || last.reach !== reach) {
    last = {
      layers: piece.layers,
      reach,
      ends: nearEnds(
        strokesOf(piece).filter((s) => !s.hidden),
        reach,
      ),
    };
  }
  return last.ends;
}
