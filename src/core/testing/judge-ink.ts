import { createCanvas } from '@napi-rs/canvas';
import { commandsBounds, measurePath, type Bounds, type PathCommand } from '../geometry';
import { disc, square, penWidth, sweptOutline } from '../ink';
import { tracePath } from '../paint';
import { TRACE_OPTIONS, traceInk, type InkSource, type TracedStroke } from '../trace';
import { maskOf } from './drawn-letters';

/** Ink of filled outlines, drawn at any scale. */
export function inkOf(outlines: readonly PathCommand[]): InkSource {
  const exact = commandsBounds(outlines)!;
  const bounds: Bounds = {
    left: Math.floor(exact.left) - 2,
    top: Math.floor(exact.top) - 2,
    right: Math.ceil(exact.right) + 2,
    bottom: Math.ceil(exact.bottom) + 2,
  };
  return {
    bounds,
    finest: Infinity,
    mask(scale) {
      const canvas = createCanvas(
        Math.ceil((bounds.right - bounds.left) * scale),
        Math.ceil((bounds.bottom - bounds.top) * scale),
      );
      const context = canvas.getContext('2d');
      context.scale(scale, scale);
      context.translate(-bounds.left, -bounds.top);
      context.beginPath();
      tracePath(context, outlines);
      context.fill();
      return maskOf(canvas);
    },
  };
}

/** What a traced stroke leaves when painted with its traced width. */
export function paintedOutline(stroke: TracedStroke): PathCommand[] {
  const first = stroke.path.points[0]!;
  const { length } = measurePath(stroke.path);
  if (length === 0) {
    return stroke.cap === 'square'
      ? [...square(first.x, first.y, stroke.width / 2)]
      : disc(first.x, first.y, stroke.width / 2);
  }
  const span = { from: 0, to: length };
  return sweptOutline(
    stroke.path,
    penWidth(stroke.width, length, stroke.widths ?? undefined, null, span),
    0,
    length,
    {
      caps: { start: stroke.cap, end: stroke.endCap },
      join: 'round',
      miterLimit: 4,
    },
  );
}

export interface FaceResult {
  readonly strokes: readonly TracedStroke[];
  /** Share of the ink that the strokes cover, and ink they add, as a share of it. */
  readonly covered: number;
  readonly spill: number;
  readonly source: InkSource;
}

/** Traces outlines as ink of which nothing is known, and paints the strokes over them. */
export const judgeOutlines = (outlines: readonly PathCommand[]): FaceResult =>
  judgeStrokes(outlines, traceInk(inkOf(outlines), TRACE_OPTIONS)!);

/** Paints strokes that were traced over outlines at four pixels to one. */
export function judgeStrokes(outlines: readonly PathCommand[], strokes: readonly TracedStroke[]): FaceResult {
  const source = inkOf(outlines);
  const scale = 4;
  const truth = source.mask(scale);
  const canvas = createCanvas(truth.width, truth.height);
  const context = canvas.getContext('2d');
  context.scale(scale, scale);
  context.translate(-source.bounds.left, -source.bounds.top);
  for (const stroke of strokes) {
    context.beginPath();
    tracePath(context, paintedOutline(stroke));
    context.fill();
  }
  const painted = maskOf(canvas);
  let [ink, both, over] = [0, 0, 0];
  for (let i = 0; i < truth.data.length; i++) {
    const [t, p] = [truth.data[i]!, painted.data[i]!];
    ink += t;
    both += Math.min(t, p);
    over += Math.max(0, p - t);
  }
  return { strokes, covered: both / ink, spill: over / ink, source };
}
