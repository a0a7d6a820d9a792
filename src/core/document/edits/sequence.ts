import { measurePath } from '../../geometry';
import { framesPerSecond, landingEasing, LINEAR, type Key } from '../../timing';
import { onSpan, withOnSpan } from '../keys';
import { updateStrokes } from '../parts';
import { strokesOf, type Piece } from '../schema';

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

/** Frames between two strokes of a hand: the pen moves through the air. */
const LIFT_FRAMES = 3;

/** Writes freehand strokes on in the time and at the pace of the hand that wrote them, one after another from a frame on. */
export function writeAsWritten(piece: Piece, ids: readonly string[], from: number): Piece {
  const fps = framesPerSecond(piece.rate);
  let start = from;
  return strokesOf(piece)
    .filter((stroke) => ids.includes(stroke.id) && stroke.hand)
    .reduce((result, { id, hand }) => {
      const end = start + Math.max(2, Math.round(hand!.seconds * fps));
      const keys: Key[] = [
        { frame: start, value: 0, easing: LINEAR },
        { frame: end, value: 1, easing: LINEAR },
      ];
      start = end + LIFT_FRAMES;
      return updateStrokes(result, [id], (stroke) => ({
        ...stroke,
        window: { head: { keys }, tail: 0, slide: 0 },
        pace: { kind: 'written' },
      }));
    }, piece);
}

/** What strokes are written in sped up so that the last of it is written at a frame; where it begins stays. */
export function writtenWithin(piece: Piece, ids: readonly string[], last: number): Piece {
  const spans = strokesOf(piece)
    .filter((stroke) => ids.includes(stroke.id))
    .flatMap((stroke) => onSpan(stroke) ?? []);
  const from = Math.min(...spans.map((span) => span.from));
  const to = Math.max(...spans.map((span) => span.to));
  if (!(to > last) || last <= from) return piece;
  const k = (last - from) / (to - from);
  const moved = (frame: number): number => from + (frame - from) * k;
  return updateStrokes(piece, ids, (stroke) => {
    const span = onSpan(stroke);
    return span ? withOnSpan(stroke, { from: moved(span.from), to: moved(span.to) }) : stroke;
  });
}
