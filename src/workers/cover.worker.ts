import { expose } from 'comlink';
import { newsOf, isArtwork, type Lettering, type Piece, type PieceNews } from '@/core/document';
import { strokesThrough } from '@/core/scene';
import {
  coverage,
  coveredArt,
  fittedToReveal,
  withSelfWriting,
  type Coverage,
  type TraceOptions,
} from '@/core/trace';
import { newCanvas } from './new-canvas';
import { warmUp } from './warm-up';

const warming = new AbortController();

const worker = {
  /** Gets ready to make a text write itself; if that is asked for meanwhile, this ends. */
  warmUp: (layer: Lettering, options: TraceOptions): Promise<void> =>
    warmUp(layer, options, newCanvas, warming.signal),
  /** How much of what a layer shows its reveal uncovers; null where there is nothing to uncover, or nothing to do it. */
  measure(piece: Piece, id: string): Coverage | null {
    const layer = piece.layers.find((one) => one.id === id);
    if (!layer || !isArtwork(layer) || !layer.reveal) return null;
    const strokes = strokesThrough(piece, layer.reveal);
    const covered = coveredArt(layer, strokes, layer.reveal.confined, newCanvas);
    return covered && strokes.length > 0 ? coverage(covered, strokes, piece.length) : null;
  },
  /** What makes strokes reach all that a layer's reveal leaves bare. */
  fit: (piece: Piece, id: string): PieceNews => newsOf(piece, fittedToReveal(piece, id, newCanvas)),
  /** What makes a layer write itself. To stop it, end the worker. */
  write(
    piece: Piece,
    id: string,
    options: TraceOptions,
    before: Lettering | null,
    progress: (done: number, stage: string) => void,
  ): PieceNews {
    warming.abort();
    const newId = (): string => crypto.randomUUID().slice(0, 13);
    const made = withSelfWriting(piece, id, {
      ...{ make: newCanvas, newId, options, progress },
      ...(before && { before }),
    });
    return newsOf(piece, made);
  },
};

export type CoverWorker = typeof worker;
expose(worker);
