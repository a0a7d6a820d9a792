import type { Layer, Piece } from '@/core/document';
import { paint } from '@/core/paint';
import { evaluate } from '@/core/scene';
import { newCanvas } from '@/workers/new-canvas';

/** What a layer costs of one frame. */
export interface Cost {
  readonly layer: Layer;
  /** 0..1, of all that is painted anew there. */
  readonly share: number;
}

/** Frames on which costs are measured are held to so many pixels a side: shares are about the same, and sooner known. */
const MOST_SIDE = 960;

/** A piece in which one layer alone is seen. What it is seen through does its work all the same. */
const onlyWith = (piece: Piece, id: string): Piece => ({
  ...piece,
  layers: piece.layers.map((layer) => (layer.id === id || layer.hidden ? layer : { ...layer, hidden: true })),
});

/** How long a layer takes from one frame to the next, ms; nothing where it stands still. */
export function timeOf(piece: Piece, id: string, frame: number): number {
  const only = onlyWith(piece, id);
  const before = evaluate(only, frame - 1);
  const scale = Math.min(1, MOST_SIDE / Math.max(piece.size.width, piece.size.height));
  const canvas = newCanvas(Math.ceil(piece.size.width * scale), Math.ceil(piece.size.height * scale));
  const context = canvas.getContext('2d') as OffscreenCanvasRenderingContext2D;
  const began = performance.now();
  const list = evaluate(only, frame);
  if (list.items.every((item, i) => item === before.items[i])) return 0;
  paint(list, context, newCanvas, scale);
  // Only what is read was surely painted.
  context.getImageData(0, 0, 1, 1);
  return performance.now() - began;
}

/** The layers that cost most, dearest first, those that stand still left out. */
export function dearest(times: ReadonlyMap<Layer, number>, most = 6): Cost[] {
  const all = [...times.values()].reduce((sum, ms) => sum + ms, 0);
  return [...times]
    .map(([layer, ms]) => ({ layer, share: all > 0 ? ms / all : 0 }))
    .filter(({ share }) => share > 0)
    .sort((a, b) => b.share - a.share)
    .slice(0, most);
}
