import {
  changed,
  cutName,
  DEFAULT_INK,
  groupLayers,
  kindOf,
  nameOfHand,
  onSpan,
  strokesOf,
  updateLayers,
  updateStrokes,
  withOnSpan,
  writeInSequence,
  type Artwork,
  type Lettering,
  type OnSpan,
  type Piece,
  type Stroke,
} from '../../document';
import type { TracedStroke } from '../lines';
import { lettersThatStay, timedAmongOthers, uncorrected, withLettersMoved } from './follow-letters';
import { retrace } from './retrace';
import { seenThroughStrokes } from './reveal-lettering';
import { namesFor } from './stroke-names';

/** Share of the piece in which a word that writes itself for the first time is written. */
export const WRITTEN_BY = 0.55;
/** The first frame at which it is written, and frames that a stroke takes at least. */
const FIRST = 2;
const LEAST_FRAMES = 3;

const handOf = (piece: Piece, layer: Artwork) =>
  piece.groups.find((group) => layer.reveal?.through.includes(group.id));

const tracedFrom = (piece: Piece, id: string): Stroke[] =>
  strokesOf(piece).filter((stroke) => stroke.traced?.from === id);

/** Lettering as strokes were found for it; its text as it is now, where they are up to date. */
const asWritten = (layer: Artwork): Artwork =>
  layer.type === 'lettering' ? { ...layer, written: layer.setting } : layer;

/**
 * The piece with the strokes that were found in a layer as its hand: in a group, timed, the layer seen through them. What
 * was there before from it keeps style and timing. `fitToCover` then makes them as wide as they must be.
 */
export function withHand(
  piece: Piece,
  layer: Artwork,
  found: readonly TracedStroke[],
  newId: () => string,
): Piece {
  const made = retrace(piece, found, {
    source: layer.id,
    colour: kindOf(layer).ownColour(layer) ?? DEFAULT_INK.colour,
    keepWidths: false,
    name: namesFor(layer, found),
    newId,
  });
  const known = handOf(piece, layer);
  const hand = known?.id ?? newId();
  const grouped = known
    ? updateLayers(made.piece, made.ids, (one) => ({ ...one, group: hand }))
    : groupLayers(made.piece, made.ids, { id: hand, name: nameOfHand(layer.name) });
  const last = Math.max(FIRST, Math.round(piece.length * WRITTEN_BY));
  const timed = timedAmongOthers(grouped, made.ids, FIRST, last);
  const paced = updateStrokes(timed, made.ids, (stroke) =>
    stroke.pace || known
      ? stroke
      : changed<Stroke>(stroke, { pace: { kind: 'hand', strength: 1, soft: 0.4 } }),
  );
  const seen = seenThroughStrokes(paced, layer.id, made.ids, [hand]);
  return updateLayers(seen, [layer.id], (one) => asWritten(one as Artwork));
}

/** So many of a text's letters must still be there for it to count as the same word, changed. */
const SAME_WORD = 0.5;

/**
 * The piece with the strokes of lettering that was set otherwise: letters that stay keep theirs, with their timing and what a
 * hand corrected; what is new is written among them. Another word altogether is written in the time the old one took.
 * @param before the lettering as it was when its strokes were found.
 * @param found the strokes of its text as it is now.
 */
export function withTextFollowed(
  piece: Piece,
  before: Lettering,
  now: Lettering,
  found: readonly TracedStroke[],
  newId: () => string,
): Piece {
  const old = tracedFrom(piece, now.id);
  const nameBefore = namesFor(before, old);
  const given = new Map(old.map((stroke, i) => [stroke.id, cutName(nameBefore(i))]));
  const stay = lettersThatStay(before, now) >= SAME_WORD;
  // Strokes of another word lie where they lie by chance: none of its letters is among them.
  const freed = stay
    ? withLettersMoved(piece, before, now)
    : updateStrokes(
        piece,
        old.map(({ id }) => id),
        uncorrected,
      );
  const made = withHand(freed, now, found, newId);
  const strokes = tracedFrom(made, now.id);
  const nameNow = namesFor(now, strokes);
  const names = new Map(strokes.map((stroke, i) => [stroke.id, cutName(nameNow(i))]));
  const named = updateStrokes(
    made,
    strokes.map((stroke) => stroke.id),
    (stroke) => (given.get(stroke.id) === stroke.name ? { ...stroke, name: names.get(stroke.id)! } : stroke),
  );
  if (!stay) return timedAsBefore(named, strokes, old);
  return glyphsWrittenOtherwise(before, now).reduce((result, glyph) => {
    const own = (of: readonly Stroke[]) => of.filter(({ traced }) => traced?.glyph === glyph);
    return timedAsBefore(result, own(strokes), own(old));
  }, named);
}

/** Glyphs of a text whose letter is to be written in another form than before. */
function glyphsWrittenOtherwise(before: Lettering, now: Lettering): number[] {
  const { text, ductus } = now.setting;
  if (before.setting.text !== text) return [];
  return now.set.glyphs.flatMap(({ cluster }, glyph) => {
    const letter = String.fromCodePoint(text.codePointAt(cluster) ?? 0x20);
    return before.setting.ductus?.[letter] === ductus?.[letter] ? [] : [glyph];
  });
}

/** Strokes written in the time in which others were, one after another; each leaves as the one of its share did. */
function timedAsBefore(piece: Piece, strokes: readonly Stroke[], old: readonly Stroke[]): Piece {
  const spans = old.map(onSpan).filter((span): span is OnSpan => span !== null);
  const ids = strokes.map((stroke) => stroke.id);
  if (spans.length < old.length || spans.length === 0 || ids.length === 0) return piece;
  const [first, last] = [
    Math.min(...spans.map((span) => span.from)),
    Math.max(...spans.map((span) => span.to)),
  ];
  const sequence = writeInSequence(piece, ids, Math.round(first), Math.round(last));
  const slots = new Map(
    strokesOf(sequence)
      .filter(({ id }) => ids.includes(id))
      .map((stroke) => [stroke.id, onSpan(stroke)!]),
  );
  return strokes.reduce((result, { id }, i) => {
    const like = old[Math.round((i * (old.length - 1)) / Math.max(1, strokes.length - 1))]!;
    const slot = slots.get(id)!;
    return updateStrokes(result, [id], (stroke) =>
      withOnSpan(
        changed<Stroke>({ ...stroke, window: like.window }, { pace: like.pace, manner: like.manner }),
        {
          from: slot.from,
          to: Math.max(slot.to, slot.from + LEAST_FRAMES),
        },
      ),
    );
  }, piece);
}
