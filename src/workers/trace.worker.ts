import { expose } from 'comlink';
import { widened, unite } from '@/core/geometry';
import { itemBounds } from '@/core/scene';
import { paint } from '@/core/paint';
import type { ShapeItem } from '@/core/scene';
import {
  inkOfPicture,
  outlineStrokes,
  traceInk,
  type InkSource,
  type Mask,
  type Pixels,
  type ThresholdOptions,
  type TracedStroke,
  type TraceOptions,
} from '@/core/trace';
import { newCanvas } from './new-canvas';
import type { Path } from '@/core/geometry';

/** What is traced: shapes at any size, or a picture's pixels where they lie in the piece. */
export type TraceSubject =
  | { readonly kind: 'shapes'; readonly items: readonly ShapeItem[] }
  | {
      readonly kind: 'picture';
      readonly pixels: Pixels;
      readonly x: number;
      readonly y: number;
      readonly scale: number;
      readonly threshold: ThresholdOptions;
    };

function contextOf(width: number, height: number): OffscreenCanvasRenderingContext2D {
  return new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!;
}

/** Shapes as ink: whatever their colours, all of them cover. */
function inkOfShapes(items: readonly ShapeItem[]): InkSource | null {
  const around = unite(items.map(itemBounds).filter((b) => b !== null));
  if (!around) return null;
  const bounds = widened(around, 2);
  const solid = items.map((item) => ({ ...item, colour: '#000000', opacity: 1 }));
  return {
    bounds,
    finest: Infinity,
    mask(scale) {
      const width = Math.max(1, Math.ceil((bounds.right - bounds.left) * scale));
      const height = Math.max(1, Math.ceil((bounds.bottom - bounds.top) * scale));
      const context = contextOf(width, height);
      context.scale(scale, scale);
      context.translate(-bounds.left, -bounds.top);
      paint({ width, height, items: solid }, context, newCanvas);
      const { data } = context.getImageData(0, 0, width, height);
      const alpha = new Uint8Array(width * height);
      for (let i = 0; i < alpha.length; i++) alpha[i] = data[4 * i + 3]!;
      return { width, height, data: alpha };
    },
  };
}

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
  subject.kind === 'shapes' ? inkOfShapes(subject.items) : inkOfScan(subject);

const worker = {
  /** Centre-lines; `onProgress` hears the share done. To stop it, end the worker. */
  centreLines(
    subject: TraceSubject,
    options: TraceOptions,
    onProgress: (done: number) => void,
  ): TracedStroke[] {
    const source = sourceOf(subject);
    if (!source) return [];
    return (
      traceInk(source, options, (done) => {
        onProgress(done);
        return true;
      }) ?? []
    );
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
