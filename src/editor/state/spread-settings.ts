import { create } from 'zustand';
import { applyManner, onSpan, spreadStrokes, strokeById, type Piece, type Spread } from '@/core/document';
import { measurePath } from '@/core/geometry';
import { landingEasing } from '@/core/timing';

/** How the selection is spread; the panel and the handle in the score change the same. */
export const useSpread = create<Spread>(() => ({
  order: 'writing',
  seed: 1,
  step: { by: 'frames', frames: 4 },
  each: { by: 'own' },
  total: null,
  handOver: false,
}));

/** Px a frame at which strokes without any keys are written on before they are spread. */
const PLAIN_SPEED = 60;

/** Strokes spread in time; those without any keys are written on first, each at a steady speed. */
export function spreadOut(piece: Piece, ids: readonly string[], spread: Spread): Piece {
  const keyed = ids.reduce((result, id) => {
    const stroke = strokeById(result, id);
    if (!stroke || onSpan(stroke)) return result;
    const onFrames = Math.max(4, Math.round(measurePath(stroke.path).length / PLAIN_SPEED));
    return applyManner(result, [id], { kind: 'on', onAt: 0, onFrames, easing: landingEasing(0.6) });
  }, piece);
  return spreadStrokes(keyed, ids, spread);
}
