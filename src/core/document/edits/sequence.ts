import { measurePath } from '../../geometry';
import { landingEasing } from '../../timing';
import { strokesOf, type Piece } from '../schema';
import { updateStrokes } from './layers';

/** A stroke however short takes this many frames. */
const LEAST_FRAMES = 3;

/**
 * Writes strokes on one after another, in their order, between two frames: each takes its share of the time by its
 * length, with a soft landing.
 */
export function writeInSequence(piece: Piece, ids: readonly string[], first: number, last: number): Piece {
  const strokes = strokesOf(piece).filter((stroke) => ids.includes(stroke.id));
  const weights = strokes.map((stroke) => Math.sqrt(measurePath(stroke.path).length) + 4);
  const whole = weights.reduce((sum, w) => sum + w, 0);
  const easing = landingEasing(0.5);
  let passed = 0;
  return strokes.reduce((result, stroke, i) => {
    const start = Math.round(first + ((last - first) * passed) / whole);
    passed += weights[i]!;
    const end = Math.max(start + LEAST_FRAMES, Math.round(first + ((last - first) * passed) / whole));
    return updateStrokes(result, [stroke.id], (s) => ({
      ...s,
      window: {
        head: {
          keys: [
            { frame: start, value: 0, easing },
            { frame: end, value: 1, easing },
          ],
        },
        tail: 0,
        slide: 0,
      },
    }));
  }, piece);
}
