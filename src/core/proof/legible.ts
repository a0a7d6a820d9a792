import {
  changed,
  groupsAround,
  windowAt,
  type Layer,
  type Lettering,
  type Part,
  type Piece,
} from '../document';
import type { DrawItem, FillItem } from '../draw';
import { composedItems, drawnFrame, shownParts, strokesThrough } from '../scene';
import { framesPerSecond } from '../timing';

/** Frames that are looked at in one piece at most. */
const LOOKS = 1200;
/** Text counts as there from so much of it on. */
const THERE = 0.98;
/** What is fainter than this is not read (our choice). */
const FAINT = 0.5;

const wordsIn = (text: string): number => text.split(/\s+/u).filter((word) => word !== '').length;

/**
 * Seconds a word takes to be read on screen: 160 to 180 words a minute are recommended for subtitles, 0.33 to 0.375 s a word
 * (BBC Subtitle Guidelines, "Presentation rate"; from memory). Nothing is read in less than a second (common practice).
 */
const A_WORD = 0.375;
const LEAST = 1;

/** Seconds that a text needs to be read once. */
export const secondsToRead = (text: string): number => Math.max(LEAST, wordsIn(text) * A_WORD);

/** Whether all of a text is there by itself: arrived, and uncovered by its strokes and those of its groups. */
function isWhole(piece: Piece, text: Lettering, frame: number): boolean {
  if (text.arrival && shownParts(text, frame).some((shown) => shown < THERE || shown > 2 - THERE))
    return false;
  return [text, ...groupsAround(piece, text)].every(
    ({ reveal }) =>
      !reveal ||
      reveal.inverted ||
      strokesThrough(piece, reveal).every((stroke) => {
        const { head, tail } = windowAt(stroke, frame);
        return head >= THERE && tail <= 1 - THERE;
      }),
  );
}

/** Stands for a layer wherever it, or a repeat of it, is shown. */
const TOKEN: FillItem = {
  kind: 'fill',
  path: [['M', 0, 0], ['L', 1, 0], ['L', 1, 1], ['L', 0, 1], ['Z']],
  colour: '#000000',
  opacity: 1,
};

/** How strongly the strongest of some items is shown, 0..1. */
const strongest = (items: readonly DrawItem[]): number =>
  items.reduce((most, item) => {
    if (item.operator === 'erase' || item.operator === 'keep') return most;
    return Math.max(most, item.opacity * (item.kind === 'group' ? strongest(item.items) : 1));
  }, 0);

/**
 * Tells how strongly a layer is shown at a frame, 0..1. What its groups, what carries it and effects do is done to a token that
 * is there just when the layer is, so that held drawings, late copies and what a wake leaves behind count as they are seen.
 * @param isThere whether the layer by itself is there at a frame.
 */
export function presence(
  piece: Piece,
  layer: Layer,
  isThere: (frame: number) => boolean,
): (frame: number) => number {
  if (layer.hidden) return () => 0;
  const around: readonly Part[] = [layer, ...groupsAround(piece, layer)];
  const plain = <P extends Part>(part: P): P =>
    changed<P>(part, {
      reveal: undefined,
      masks: undefined,
      ...(!around.some(({ id }) => id === part.id) && { effects: undefined }),
    } as unknown as Partial<P>);
  const seen: Piece = {
    ...piece,
    layers: piece.layers.map((one) => plain(one)),
    groups: piece.groups.map((group) => plain(group)),
  };
  const token: readonly DrawItem[] = [{ ...TOKEN, opacity: 'opacity' in layer ? layer.opacity : 1 }];
  const own = ({ id }: Part, frame: number): readonly DrawItem[] =>
    id === layer.id && isThere(frame) ? token : [];
  return (frame) => strongest(composedItems(seen, drawnFrame(piece, frame), own, null));
}

/** Tells whether all of a text is there at a frame, strongly enough to be read. */
export function legibility(piece: Piece, text: Lettering): (frame: number) => boolean {
  const shown = presence(piece, text, (frame) => isWhole(piece, text, frame));
  return (frame) => shown(frame) >= FAINT;
}

/** Seconds in which all of a text is there, and the first frame at which it is; null where it never is. */
export function legibleTime(piece: Piece, text: Lettering): { seconds: number; from: number } | null {
  const isLegible = legibility(piece, text);
  const step = Math.max(1, Math.ceil(piece.length / LOOKS));
  let [count, from] = [0, -1];
  for (let frame = 0; frame < piece.length; frame += step) {
    if (!isLegible(frame)) continue;
    if (from < 0) from = frame;
    count += step;
  }
  return from < 0 ? null : { seconds: Math.min(count, piece.length) / framesPerSecond(piece.rate), from };
}
