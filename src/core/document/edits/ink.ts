import type { Ink, Piece } from '../schema';
import { updateStrokes } from './layers';

/** Changes parts of the ink of strokes. */
export const setInk = (piece: Piece, ids: readonly string[], ink: Partial<Ink>): Piece =>
  updateStrokes(piece, ids, (stroke) => ({ ...stroke, ink: { ...stroke.ink, ...ink } }));
