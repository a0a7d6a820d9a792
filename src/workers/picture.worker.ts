import { withNews, type Piece, type PieceNews } from '@/core/document';
import { picturePainter, type Placement } from '@/core/paint';
import { evaluate } from '@/core/scene';
import { expose, transfer } from 'comlink';
import { newCanvas } from './new-canvas';

/** A picture that is wanted: a frame of the piece, and where it lies on a canvas of what size, px. */
export interface PictureWanted {
  readonly frame: number;
  /** Samples that motion blur is made of; where absent as many as it takes. */
  readonly samples: number | undefined;
  readonly placement: Placement;
  readonly width: number;
  readonly height: number;
}

/** What of a picture is another than in the one before it, each part with the canvas pixel of its corner. */
export type PaintedParts = readonly {
  readonly left: number;
  readonly top: number;
  readonly bitmap: ImageBitmap;
}[];

/** One canvas, painted beside the page as the page would paint it. */
function pictures() {
  const canvas = new OffscreenCanvas(1, 1);
  const painter = picturePainter(canvas.getContext('2d')!, newCanvas);
  let piece: Piece | null = null;
  return {
    /**
     * Paints a picture where it differs from the one before.
     * @param news what is new in the piece since it was last told.
     * @param whole all of it is asked for, whatever was painted before.
     */
    async paint(news: PieceNews, wanted: PictureWanted, whole: boolean): Promise<PaintedParts> {
      piece = withNews(piece, news);
      const { frame, samples, placement, width, height } = wanted;
      const resized = canvas.width !== width || canvas.height !== height;
      if (resized) [canvas.width, canvas.height] = [width, height];
      if (resized || whole) painter.forget();
      const places = painter.paint(evaluate(piece, frame, samples), placement);
      const parts = await Promise.all(
        places.map(async ({ left, top, right, bottom }) => ({
          left,
          top,
          bitmap: await createImageBitmap(canvas, left, top, right - left, bottom - top),
        })),
      );
      return transfer(
        parts,
        parts.map(({ bitmap }) => bitmap),
      );
    },
  };
}

const worker = pictures();
export type PictureWorker = typeof worker;
expose(worker);
