import type { Mask } from '@/core/mask';
import type { Artwork, Lettering } from '@/core/document';
import { artItems, unhidden } from '@/core/scene';
import { expose } from 'comlink';
import {
  inkOfPicture,
  inkOfShapes,
  outlineStrokes,
  traceArtwork,
  traceInk,
  type InkSource,
  type Pixels,
  type ThresholdOptions,
  type TracedStroke,
  type TraceOptions,
} from '@/core/trace';
import { newCanvas } from './new-canvas';
import { warmUp } from './warm-up';
import type { Path } from '@/core/geometry';

/** What is traced: art or lettering, or a picture's pixels where they lie in the piece. */
export type TraceSubject =
  | { readonly kind: 'artwork'; readonly layer: Artwork }
  | {
      readonly kind: 'picture';
      readonly pixels: Pixels;
      readonly x: number;
      readonly y: number;
      readonly scale: number;
      readonly threshold: ThresholdOptions;
    };

/** A picture's ink; asked for at another scale it is drawn smaller or larger. */
function inkOfScan(subject: Extract<TraceSubject, { kind: 'picture' }>): InkSource {
  const whole = inkOfPicture(subject.pixels, subject.threshold);
  const { x, y, scale: k } = subject;
  return {
    bounds: { left: x, top: y, right: x + whole.width * k, bottom: y + whole.height * k },
    finest: 1 / k,
    mask(scale): Mask {
      // Mask pixels to a pixel of the picture.
      const share = scale * k;
      if (share > 0.98) return whole;
      const [width, height] = [
        Math.max(1, Math.round(whole.width * share)),
        Math.max(1, Math.round(whole.height * share)),
      ];
      const data = new Uint8Array(width * height);
      for (let j = 0; j < height; j++) {
        const [top, bottom] = [Math.floor(j / share), Math.min(whole.height, Math.ceil((j + 1) / share))];
        for (let i = 0; i < width; i++) {
          const [left, right] = [Math.floor(i / share), Math.min(whole.width, Math.ceil((i + 1) / share))];
          let sum = 0;
          for (let v = top; v < bottom; v++)
            for (let u = left; u < right; u++) sum += whole.data[v * whole.width + u]!;
          data[j * width + i] = sum / Math.max(1, (bottom - top) * (right - left));
        }
      }
      return { width, height, data };
    },
  };
}

const sourceOf = (subject: TraceSubject): InkSource | null =>
  subject.kind === 'artwork' ? inkOfShapes(artItems(unhidden(subject.layer)), newCanvas) : inkOfScan(subject);

const warming = new AbortController();

const worker = {
  /** Gets ready for a trace; one that is asked for meanwhile ends it. */
  warmUp: (layer: Lettering, options: TraceOptions): Promise<void> =>
    warmUp(layer, options, newCanvas, warming.signal),
  /** Centre-lines; `onProgress` hears the share done. To stop it, end the worker. */
  centreLines(
    subject: TraceSubject,
    options: TraceOptions,
    onProgress: (done: number) => void,
  ): TracedStroke[] {
    warming.abort();
    const heard = (done: number): boolean => {
      onProgress(done);
      return true;
    };
    const found =
      subject.kind === 'artwork'
        ? traceArtwork(subject.layer, options, newCanvas, heard)
        : traceInk(inkOfScan(subject), options, heard);
    return found ?? [];
  },
  outlines(subject: TraceSubject, offset: number, tolerance: number): Path[] {
    const source = sourceOf(subject);
    return source ? outlineStrokes(source, offset, tolerance) : [];
  },
  /** The ink of a picture as it will be traced, as coverage. */
  ink(pixels: Pixels, threshold: ThresholdOptions): Mask {
    return inkOfPicture(pixels, threshold);
  },
};

export type TraceWorker = typeof worker;
expose(worker);
