import { keptIndices, measurePath } from '../../geometry';
import { framesPerSecond, landingEasing, LINEAR, type Key } from '../../timing';
import { strokesOf, type Hand, type Piece } from '../schema';
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

/** Frames between two strokes of a hand: the pen moves through the air. */
const LIFT_FRAMES = 3;

/** Shares of the length a hand had written at whole frames, without those that lie on a line between others. */
function paceKeys(hand: Hand, start: number, frames: number): Key[] {
  const at = (time: number): number => {
    const i = Math.max(
      1,
      hand.pace.findIndex((p) => p.time >= time),
    );
    const [a, b] = [hand.pace[i - 1]!, hand.pace[i]!];
    return b.time > a.time ? a.at + ((b.at - a.at) * (time - a.time)) / (b.time - a.time) : b.at;
  };
  const values = Array.from({ length: frames + 1 }, (_, f) =>
    f === 0 ? 0 : f === frames ? 1 : at(f / frames),
  );
  const off = (i: number, a: number, b: number): number =>
    Math.abs(values[i]! - (values[a]! + ((values[b]! - values[a]!) * (i - a)) / (b - a)));
  return keptIndices(values.length, 0.008, off).map((f) => ({
    frame: start + f,
    value: Math.min(1, Math.max(0, values[f]!)),
    easing: LINEAR,
  }));
}

/**
 * Writes freehand strokes on as the hand wrote them, one after another from a frame on: head keys follow the recorded
 * pace. Strokes without a recorded hand are left alone.
 */
export function writeAsWritten(piece: Piece, ids: readonly string[], from: number): Piece {
  const fps = framesPerSecond(piece.rate);
  let start = from;
  return strokesOf(piece)
    .filter((stroke) => ids.includes(stroke.id) && stroke.hand)
    .reduce((result, { id, hand }) => {
      const frames = Math.max(2, Math.round(hand!.seconds * fps));
      const keys = paceKeys(hand!, start, frames);
      start += frames + LIFT_FRAMES;
      return updateStrokes(result, [id], (stroke) => ({
        ...stroke,
        window: { head: { keys }, tail: 0, slide: 0 },
      }));
    }, piece);
}
