import { windowAt, type Lettering, type Piece } from '../document';
import { framesPerSecond, valueAt } from '../timing';
import { shownParts, strokesThrough } from '../scene';

/** Frames that are looked at in one piece at most. */
const LOOKS = 1200;
/** Text counts as there from so much of it on. */
const THERE = 0.98;

const wordsIn = (text: string): number => text.split(/\s+/u).filter((word) => word !== '').length;

/**
 * Seconds a word takes to be read on screen: 160 to 180 words a minute are recommended for subtitles, 0.33 to 0.375 s a word
 * (BBC Subtitle Guidelines, "Presentation rate"; from memory). Nothing is read in less than a second (common practice).
 */
const A_WORD = 0.375;
const LEAST = 1;

/** Seconds that a text needs to be read once. */
export const secondsToRead = (text: string): number => Math.max(LEAST, wordsIn(text) * A_WORD);

/** Whether all of a text is there at a frame. */
export function isLegible(piece: Piece, text: Lettering, frame: number): boolean {
  if (text.hidden || text.opacity < 0.5) return false;
  if (text.place && valueAt(text.place.opacity, frame) < 0.5) return false;
  if (text.arrival && shownParts(text, frame).some((shown) => shown < THERE || shown > 2 - THERE))
    return false;
  if (!text.reveal || text.reveal.inverted) return true;
  const hand = strokesThrough(piece, text.reveal);
  return hand.every((stroke) => {
    const { head, tail } = windowAt(stroke, frame);
    return head >= THERE && tail <= 1 - THERE;
  });
}

/** Seconds in which all of a text is there, and the first frame at which it is; null where it never is. */
export function legibleTime(piece: Piece, text: Lettering): { seconds: number; from: number } | null {
  const step = Math.max(1, Math.ceil(piece.length / LOOKS));
  let [count, from] = [0, -1];
  for (let frame = 0; frame < piece.length; frame += step) {
    if (!isLegible(piece, text, frame)) continue;
    if (from < 0) from = frame;
    count += step;
  }
  return from < 0 ? null : { seconds: Math.min(count, piece.length) / framesPerSecond(piece.rate), from };
}
