import { expose } from 'comlink';
import { strokesOf, isArtwork, type Artwork, type Piece, type Stroke } from '@/core/document';
import { strokesThrough } from '@/core/scene';
import { coverage, coveredArt, untilCovered, type Coverage } from '@/core/trace';
import { newCanvas } from './new-canvas';

const layerOf = (piece: Piece, id: string): Artwork | null => {
  const layer = piece.layers.find((one) => one.id === id);
  return layer && isArtwork(layer) ? layer : null;
};

/** The strokes of a piece that were changed, by their ids: what is sent back. */
const changedStrokes = (before: Piece, after: Piece): Stroke[] => {
  const known = new Map(strokesOf(before).map((stroke) => [stroke.id, stroke]));
  return strokesOf(after).filter((stroke) => known.get(stroke.id) !== stroke);
};

const worker = {
  /** How much of what a layer shows its reveal uncovers; null where there is nothing to uncover, or nothing to do it. */
  measure(piece: Piece, id: string): Coverage | null {
    const layer = layerOf(piece, id);
    if (!layer?.reveal) return null;
    const strokes = strokesThrough(piece, layer.reveal);
    const covered = coveredArt(layer, strokes, layer.reveal.confined, newCanvas);
    return covered && strokes.length > 0 ? coverage(covered, strokes, piece.length) : null;
  },
  /** Strokes fitted to what a layer's reveal leaves bare. */
  fit(piece: Piece, id: string): Stroke[] {
    const layer = layerOf(piece, id);
    if (!layer?.reveal) return [];
    const { confined } = layer.reveal;
    const ids = strokesThrough(piece, layer.reveal).map((stroke) => stroke.id);
    const of = (strokes: readonly Stroke[]) => coveredArt(layer, strokes, confined, newCanvas);
    return changedStrokes(piece, untilCovered(piece, ids, of).piece);
  },
};

export type CoverWorker = typeof worker;
expose(worker);
