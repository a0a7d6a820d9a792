import type { DrawList } from '@/core/draw';
import { isArtwork, type Piece } from '@/core/document';
import { picturePainter } from '@/core/paint';
import { artItems, evaluate } from '@/core/scene';
import { newCanvas } from '@/workers/new-canvas';
import { shownPiece, type EditorState } from '../state';
import { underlayImage } from '../underlays';
import { ground } from './ground';
import { onionItems } from './onion';
import { frameAhead } from './painted-ahead';
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

/** The picture on the stage, on two canvases one over the other: what the piece lies over, and the piece. */
export interface StagePicture {
  /** Paints it anew where anything of it changed. */
  paint(state: EditorState, view: View, ratio: number): void;
  /** The canvases were emptied. */
  forget(): void;
  /** The colour that is seen at a place, canvas px: #rrggbb. */
  colourAt(x: number, y: number): string;
}

/**
 * The piece has a canvas to itself, over nothing: so it is the picture that leaves, also where its layers blend with what lies
 * under them, and what stands still of it can be kept.
 */
export function stagePicture(under: HTMLCanvasElement, picture: HTMLCanvasElement): StagePicture {
  const below = under.getContext('2d')!;
  const above = picture.getContext('2d')!;
  const painter = picturePainter(above, newCanvas);
  /** What the canvas below shows. */
  let grounded = '';
  return {
    forget() {
      grounded = '';
      painter.forget();
    },
    paint(state, view, ratio) {
      const piece = shownPiece(state);
      const underlays = piece.underlays.filter((underlay) => !underlay.hidden && underlay.opacity > 0);
      const images = underlays.map(underlayImage);
      const { width, height } = piece.size;
      const [x, y, zoom] = [view.x * ratio, view.y * ratio, view.zoom * ratio];
      const key = [
        ...[x, y, zoom, under.width, under.height, piece.over, width, height],
        ...underlays.map((u, i) => [u.asset, u.x, u.y, u.scale, u.opacity, images[i] !== null].join()),
      ].join();
      if (grounded !== key) {
        grounded = key;
        below.clearRect(0, 0, under.width, under.height);
        // On whole pixels, as the piece is: its edge is an edge.
        const [left, top] = [Math.round(x), Math.round(y)];
        ground(
          below,
          left,
          top,
          Math.round(x + width * zoom) - left,
          Math.round(y + height * zoom) - top,
          piece.over,
        );
        underlays.forEach((u, i) => {
          const image = images[i];
          if (!image) return;
          below.globalAlpha = u.opacity;
          const k = u.scale * zoom;
          below.drawImage(image, x + u.x * zoom, y + u.y * zoom, u.width * k, u.height * k);
          below.globalAlpha = 1;
        });
      }
      const kept = state.playing && !state.linesOnly ? frameAhead(state.frame) : null;
      if (!kept) {
        painter.paint(listOf(state), { x, y, scale: zoom });
        return;
      }
      above.clearRect(0, 0, picture.width, picture.height);
      above.drawImage(kept.canvas, kept.left, kept.top);
      painter.forget();
    },
    colourAt(x, y) {
      const one = new OffscreenCanvas(1, 1).getContext('2d')!;
      for (const canvas of [under, picture]) one.drawImage(canvas, -x, -y);
      const [r, g, b] = one.getImageData(0, 0, 1, 1).data;
      return `#${[r, g, b].map((v) => v!.toString(16).padStart(2, '0')).join('')}`;
    },
  };
}
