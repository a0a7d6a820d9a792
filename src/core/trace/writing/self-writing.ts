import { isArtwork, isBehind, type Artwork, type Lettering, type Piece } from '../../document';
import type { MakeCanvas } from '../../paint';
import { strokesThrough } from '../../scene';
import { coveredArt } from '../coverage';
import type { TraceOptions } from '../ink';
import { traceArtwork } from '../letters';
import { untilCovered } from './reveal-lettering';
import { withHand, withTextFollowed } from './rewrite';

/** What it takes to make something write itself. */
interface SelfWriting {
  /** Makes the canvases on which ink is looked at. */
  readonly make: MakeCanvas;
  readonly newId: () => string;
  readonly options: TraceOptions;
  /** Lettering as it was when its strokes were found, where it was set otherwise since. */
  readonly before?: Lettering | undefined;
  /** Hears the share done, and what is being done. */
  readonly progress?: (done: number, stage: string) => void;
}

/** Share of the work that finding the strokes takes. */
const FINDING = 0.7;

const artworkOf = (piece: Piece, id: string): Artwork => {
  const layer = piece.layers.find((one) => one.id === id);
  if (!layer || !isArtwork(layer)) throw new Error('It is not there any more.');
  return layer;
};

/** The piece with the strokes of a layer's reveal as wide as they must be to uncover all of it. */
export function fittedToReveal(piece: Piece, id: string, make: MakeCanvas): Piece {
  const layer = artworkOf(piece, id);
  const { reveal } = layer;
  if (!reveal) return piece;
  const ids = strokesThrough(piece, reveal).map((stroke) => stroke.id);
  return untilCovered(piece, ids, (strokes) => coveredArt(layer, strokes, reveal.confined, make)).piece;
}

/**
 * The piece with a layer that writes itself: its strokes found, named, put in writing order, timed, and made just as wide as
 * uncovers it. What was there before from it keeps style and timing; strokes of letters that stay keep what a hand did.
 * One way for the page, the server and scripts: the same piece and canvases give the same strokes.
 * @throws Error in words where there is no ink to follow.
 */
export function withSelfWriting(piece: Piece, id: string, how: SelfWriting): Piece {
  const { make, newId, options, before, progress = () => {} } = how;
  const layer = artworkOf(piece, id);
  progress(0, 'Finding the strokes');
  const found = traceArtwork(layer, options, make, (done) => {
    progress(done * FINDING, 'Finding the strokes');
    return true;
  });
  if (!found || found.length === 0) throw new Error('There is no ink to follow in it.');
  progress(FINDING, 'Fitting them to the letters');
  const made =
    before && isBehind(piece, layer)
      ? withTextFollowed(piece, before, layer, found, newId)
      : withHand(piece, layer, found, newId);
  return fittedToReveal(made, id, make);
}
