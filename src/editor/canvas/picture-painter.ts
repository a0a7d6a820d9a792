import type { DrawList } from '@/core/draw';
import { isArtwork, type Piece } from '@/core/document';
import { steadyPainter } from '@/core/paint';
import { artItems, evaluate, sameItems } from '@/core/scene';
import { newCanvas } from '@/workers/new-canvas';
import { shownPiece, type EditorState } from '../state';
import { underlayImage } from '../underlays';
import { ground } from './ground';
import { onionItems } from './onion';
import type { View } from './view';

/** What strokes follow, without the strokes. */
const artAlone = (piece: Piece): DrawList => ({
  ...piece.size,
  items: piece.layers.flatMap((layer) => (isArtwork(layer) ? artItems(layer) : [])),
});

/** Samples that motion blur is made of while it plays: what is quick enough for it. */
const SAMPLES_PLAYING = 6;

/** The draw list of what is seen: the frame, or the art alone, with the frames around it where they are wanted. */
function listOf(state: EditorState): DrawList {
  const { frame, onion, linesOnly, playing } = state;
  const piece = shownPiece(state);
  const now = linesOnly ? artAlone(piece) : evaluate(piece, frame, playing ? SAMPLES_PLAYING : undefined);
  const faint = onion.shown && !playing && !linesOnly ? onionItems(piece, frame, onion) : [];
  return faint.length > 0 ? { ...now, items: [...faint, ...now.items] } : now;
}

/** Paints the picture onto a canvas: what it lies over, underlays, and the piece. */
export interface PicturePainter {
  /** Paints it anew where anything of it changed. */
  paint(state: EditorState, view: View, ratio: number): void;
  /** The canvas was emptied. */
  forget(): void;
}

export function picturePainter(canvas: HTMLCanvasElement): PicturePainter {
  const context = canvas.getContext('2d')!;
  const steady = steadyPainter(newCanvas);
  /** What the canvas shows. */
  let shown: { readonly list: DrawList; readonly key: string } | null = null;
  return {
    forget: () => void (shown = null),
    paint(state, view, ratio) {
      const piece = shownPiece(state);
      const list = listOf(state);
      const underlays = piece.underlays.filter((underlay) => !underlay.hidden && underlay.opacity > 0);
      const images = underlays.map(underlayImage);
      const { width, height } = canvas;
      const key = [
        ...[view.x, view.y, view.zoom, ratio, width, height, piece.over, list.width, list.height],
        ...underlays.map((u, i) => [u.asset, u.x, u.y, u.scale, u.opacity, images[i] !== null].join()),
      ].join();
      if (shown?.key === key && sameItems(shown.list, list)) return;
      shown = { list, key };
      const [x, y, zoom] = [view.x * ratio, view.y * ratio, view.zoom * ratio];
      const [w, h] = [list.width * zoom, list.height * zoom];
      context.setTransform(1, 0, 0, 1, 0, 0);
      context.clearRect(0, 0, width, height);
      ground(context, x, y, w, h, piece.over);
      underlays.forEach((u, i) => {
        const image = images[i];
        if (!image) return;
        context.globalAlpha = u.opacity;
        const k = u.scale * zoom;
        context.drawImage(image, x + u.x * zoom, y + u.y * zoom, u.width * k, u.height * k);
        context.globalAlpha = 1;
      });
      context.save();
      context.beginPath();
      context.rect(x, y, w, h);
      context.clip();
      context.translate(x, y);
      steady(list, context, zoom);
      context.restore();
    },
  };
}
