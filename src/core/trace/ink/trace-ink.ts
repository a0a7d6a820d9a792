import { transformPath, type Bounds, type Matrix } from '../../geometry';
import { inkArea, type Mask } from '../../mask';
import { handWays } from '../hands';
import {
  CENTRE_LINE_OPTIONS,
  centreLines,
  type CentreLineOptions,
  type TracedStroke,
  type TraceProgress,
} from '../lines';
import { writingOrder, type Orderable, type OrderOptions } from '../order';

/** Ink that can be drawn at any size. Pixel (0, 0) of a mask at scale k shows the top left of `bounds`. */
export interface InkSource {
  /** Around all ink, in piece pixels. */
  readonly bounds: Bounds;
  /** Coverage at `scale` mask pixels to a piece pixel. */
  mask(scale: number): Mask;
  /** Greatest scale that shows anything more: 1 for pictures, Infinity for shapes. */
  readonly finest: number;
}

export type TraceOptions = CentreLineOptions & OrderOptions;

/** How ink is traced where nothing else is asked for. */
export const TRACE_OPTIONS: TraceOptions = {
  ...CENTRE_LINE_OPTIONS,
  direction: 'left to right',
  marks: 'after the word',
};

/** Width of the usual line, in mask pixels, at which the middle is found well and fast. */
const LINE = 13;
/** Mask pixels at the most. */
const MOST_PIXELS = 6e6;
const FIRST_LOOK = 4e5;

/** Usual width of a line in a mask: twice its area to the length of its edge, told by its change from pixel to pixel. */
function lineWidth(mask: Mask): number {
  const { width, height, data } = mask;
  let edge = 0;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const here = data[y * width + x]!;
      const gx = (x + 1 < width ? data[y * width + x + 1]! : 0) - here;
      const gy = (y + 1 < height ? data[(y + 1) * width + x]! : 0) - here;
      edge += Math.hypot(gx, gy);
    }
  }
  return edge > 0 ? (2 * inkArea(mask) * 255) / edge : 0;
}

/** The scale at which to trace: lines about `LINE` pixels wide, within what can be held. */
export function traceScale(source: InkSource): number {
  const w = Math.max(1, source.bounds.right - source.bounds.left);
  const h = Math.max(1, source.bounds.bottom - source.bounds.top);
  const most = Math.sqrt(MOST_PIXELS / (w * h));
  const look = Math.min(source.finest, Math.sqrt(FIRST_LOOK / (w * h)));
  const width = lineWidth(source.mask(look)) / look;
  if (width === 0) return look;
  return Math.min(source.finest, most, LINE / width);
}

/** A stroke found in a mask of a source, where it lies in the piece. */
export function inPiece(stroke: TracedStroke, { bounds }: InkSource, scale: number): TracedStroke {
  const toPiece: Matrix = [1 / scale, 0, 0, 1 / scale, bounds.left, bounds.top];
  return { ...stroke, path: transformPath(stroke.path, toPiece), width: stroke.width / scale };
}

/**
 * Traces ink: its centre-lines in piece pixels, each in the direction and all in the order of a hand.
 * @returns null when `progress` stopped it.
 */
export function traceInk(
  source: InkSource,
  options: TraceOptions,
  progress: TraceProgress = () => true,
): TracedStroke[] | null {
  const scale = traceScale(source);
  if (!progress(0.05)) return null;
  const found = centreLines(source.mask(scale), options, (done) => progress(0.05 + 0.9 * done));
  if (!found) return null;
  const strokes = found.flatMap((stroke) => handWays(inPiece(stroke, source, scale), options.direction));
  return writingOrder(strokes satisfies readonly Orderable[], options).map((i) => strokes[i]!);
}
