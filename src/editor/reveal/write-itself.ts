import { create } from 'zustand';
import {
  changed,
  DEFAULT_INK,
  groupLayers,
  strokesOf,
  updateLayers,
  updateStrokes,
  isArtwork,
  type Artwork,
  type Lettering,
  type Piece,
  type Stroke,
} from '@/core/document';
import {
  retrace,
  seenThroughStrokes,
  timedAmongOthers,
  withLettersMoved,
  type TracedStroke,
} from '@/core/trace';
import { notify } from '@/ui';
import { edit, newId, select, showFrame, useEditor } from '../state';
import { strokesFoundIn } from '../tracing';
import { namesFor } from '../tracing/stroke-names';
import { coverWorker, withStrokes } from './cover-client';

/** Lettering that is being made to write itself, and how far that is. */
export const useWriting = create<{
  readonly of: string | null;
  readonly done: number;
  readonly stage: string;
}>(() => ({
  of: null,
  done: 0,
  stage: '',
}));

/** Share of the piece in which a word that writes itself is written. */
const WRITTEN_BY = 0.55;

/** The group of the strokes that uncover a layer. */
const handOf = (piece: Piece, layer: Artwork): { id: string; isNew: boolean } => {
  const known = piece.groups.find((group) => layer.reveal?.through.includes(group.id));
  return known ? { id: known.id, isNew: false } : { id: newId(), isNew: true };
};

/** Whether a layer is uncovered by strokes that were traced from it. */
export const writesItself = (piece: Piece, layer: Artwork): boolean =>
  layer.reveal !== undefined && strokesOf(piece).some((stroke) => stroke.traced?.from === layer.id);

/** The piece with a layer's strokes as they were found: in a group, timed, the layer seen through them. */
function withHand(piece: Piece, layer: Artwork, found: readonly TracedStroke[]): Piece {
  const made = retrace(piece, found, {
    source: layer.id,
    colour: layer.type === 'lettering' ? layer.colour : DEFAULT_INK.colour,
    keepWidths: false,
    name: namesFor(layer, found),
    newId,
  });
  const hand = handOf(piece, layer);
  const grouped = hand.isNew
    ? groupLayers(made.piece, made.ids, { id: hand.id, name: `${layer.name}, hand`.slice(0, 120) })
    : updateLayers(made.piece, made.ids, (one) => ({ ...one, group: hand.id }));
  const last = Math.max(2, Math.round(piece.length * WRITTEN_BY));
  const timed = timedAmongOthers(grouped, made.ids, 2, last);
  const paced = updateStrokes(timed, made.ids, (stroke) =>
    stroke.pace || !hand.isNew
      ? stroke
      : changed<Stroke>(stroke, { pace: { kind: 'hand', strength: 1, soft: 0.4 } }),
  );
  return seenThroughStrokes(paced, layer.id, made.ids, [hand.id]);
}

let running = 0;

/** Stops what is under way; nothing of it is taken. */
export function stopWriting(): void {
  running++;
  useWriting.setState({ of: null });
}

/**
 * Makes lettering or art write itself: its strokes are found, made as wide as they must be, timed in writing order, and it
 * is seen through them. What was there before from it keeps style and timing.
 * @param before the lettering as it was, where its text, face or size was changed.
 */
export async function writeItself(id: string, before?: Lettering): Promise<void> {
  const mine = ++running;
  const layerNow = (): Artwork | null => {
    const layer = useEditor.getState().piece.layers.find((one) => one.id === id);
    return layer && isArtwork(layer) ? layer : null;
  };
  const layer = layerNow();
  if (!layer) return;
  useWriting.setState({ of: id, done: 0, stage: 'Finding the strokes' });
  try {
    const found = await strokesFoundIn(layer, (done) => {
      if (mine === running) useWriting.setState({ done: done * 0.7 });
    });
    if (mine !== running) return;
    if (found.length === 0) throw new Error('There is no ink to follow in it.');
    useWriting.setState({ done: 0.7, stage: 'Fitting them to the letters' });
    const start = useEditor.getState().piece;
    const now = layerNow();
    if (!now) throw new Error('It is not there any more.');
    const moved = before && now.type === 'lettering' ? withLettersMoved(start, before, now) : start;
    const made = withHand(moved, now, found);
    const strokes = await coverWorker().fit(made, id);
    if (mine !== running) return;
    if (useEditor.getState().piece !== start) {
      // Something was changed meanwhile: what was made no longer fits it, so it is made once more.
      void writeItself(id, before);
      return;
    }
    edit(() => withStrokes(made, strokes));
    if (!before) {
      select({ layers: [id] });
      showFrame(Math.round(start.length * WRITTEN_BY));
    }
  } catch (error) {
    if (mine === running)
      notify(`It could not be made to write itself: ${(error as Error).message} Nothing was changed.`);
  } finally {
    if (mine === running) useWriting.setState({ of: null });
  }
}

/** Changes of a text come letter by letter: its strokes are made anew so long after the last, ms. */
const SETTLED = 450;
/** Several texts may have changed at once: one is made anew after another. */
let rewriting: Promise<void> = Promise.resolve();
const changing = new Map<string, { before: Lettering; timer: ReturnType<typeof setTimeout> }>();

/** Tells that the setting of lettering was changed; where it writes itself, its strokes follow. */
export function letteringChanged(before: Lettering): void {
  const { piece } = useEditor.getState();
  if (!writesItself(piece, before)) return;
  const known = changing.get(before.id);
  if (known) clearTimeout(known.timer);
  const first = known?.before ?? before;
  const timer = setTimeout(() => {
    changing.delete(before.id);
    rewriting = rewriting.then(() => writeItself(before.id, first));
  }, SETTLED);
  changing.set(before.id, { before: first, timer });
}
