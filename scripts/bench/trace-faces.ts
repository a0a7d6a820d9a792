import { createCanvas } from '@napi-rs/canvas';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { commandsBounds, measurePath, type Bounds, type PathCommand } from '../../src/core/geometry';
import { disc, sweptOutline, square } from '../../src/core/ink';
import { setText } from '../../src/core/lettering';
import { tracePath } from '../../src/core/paint';
import { letterOutlines } from '../../src/core/scene';
import {
  CENTRE_LINE_OPTIONS,
  traceInk,
  type InkSource,
  type TracedStroke,
  type TraceOptions,
} from '../../src/core/trace';
import { loadFace } from '../../src/server/lettering/harfbuzz';
import { SHIPPED_FACES } from '../../src/server/lettering/shipped-faces';
import { maskOf } from './trace-hershey';

export const TRACE_OPTIONS: TraceOptions = {
  ...CENTRE_LINE_OPTIONS,
  direction: 'left to right',
  marks: 'after the word',
};

/** The file of a shipped face at its weight nearest to 400. */
export function faceFile(id: string, weight?: number): string {
  const { weights } = SHIPPED_FACES.find((face) => face.id === id)!;
  const nearest =
    weight ??
    Object.keys(weights)
      .map(Number)
      .sort((a, b) => Math.abs(a - 400) - Math.abs(b - 400))[0]!;
  const folder = weights[nearest]!;
  const family = createRequire(import.meta.url)
    .resolve(`@expo-google-fonts/${id}/package.json`)
    .replace(/package\.json$/, '');
  const stem = SHIPPED_FACES.find((face) => face.id === id)!.name.replaceAll(' ', '');
  return `${family}${folder}/${stem}_${folder}.ttf`;
}

/** A word's outlines in a shipped face, set at a size in pixels. */
export async function outlinesOf(id: string, text: string, size: number): Promise<PathCommand[][]> {
  const shaper = await loadFace(readFileSync(faceFile(id)));
  const set = setText(
    { text, face: { id, weight: 400 }, size, tracking: 0, leading: 1.2, align: 'left' },
    shaper,
  );
  return letterOutlines({ set, x: 0, y: 0 });
}

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
  return sweptOutline(
    stroke.path,
    stroke.width,
    stroke.widths ?? [{ at: 0, scale: 1 }],
    0,
    length,
    stroke.cap,
  );
}

export interface FaceResult {
  readonly strokes: readonly TracedStroke[];
  /** Share of the ink that the strokes cover, and ink they add, as a share of it. */
  readonly covered: number;
  readonly spill: number;
  readonly ms: number;
  readonly source: InkSource;
}

/** Traces outlines and paints the strokes over them at four pixels to one. */
export function judgeOutlines(outlines: readonly PathCommand[], options = TRACE_OPTIONS): FaceResult {
  const source = inkOf(outlines);
  const began = performance.now();
  const strokes = traceInk(source, options)!;
  const ms = performance.now() - began;
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
  return { strokes, covered: both / ink, spill: over / ink, ms, source };
}
