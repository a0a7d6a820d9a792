import { changed, updateStrokes } from '../parts';
import type { Between, Piece, Stroke } from '../schema';

/** Lets a stroke run between two things; null leaves it where it is. */
export const setBetween = (piece: Piece, id: string, between: Between | null): Piece =>
  updateStrokes(piece, [id], (stroke) => changed<Stroke>(stroke, { between: between ?? undefined }));
