import { createCanvas, type Canvas } from '@napi-rs/canvas';
import { measurePath, pointAtLength, type Point } from '../geometry';
import { clamp } from '../numbers';
import type { LineLetter } from './hershey';
import type { Mask } from '../mask';
import { centreLines, type TracedStroke } from '../trace';

export interface Drawn {
  readonly mask: Mask;
  readonly lines: readonly (readonly Point[])[];
  readonly width: number;
}

/** Coverage of what was painted on a canvas: its alpha. */
export function maskOf(canvas: Canvas): Mask {
  const { width, height } = canvas;
  const { data } = canvas.getContext('2d').getImageData(0, 0, width, height);
  const alpha = new Uint8Array(width * height);
  for (let i = 0; i < alpha.length; i++) alpha[i] = data[4 * i + 3]!;
  return { width, height, data: alpha };
}

/** Strokes a letter's centre-lines at a share of the cap height, and turned by an angle. */
export function drawLetter(letter: LineLetter, share: number, capPx = 160, angle = 0): Drawn {
  const k = capPx / letter.capHeight;
  const width = share * capPx;
  const turned = letter.lines.map((line) =>
    line.map(({ x, y }) => ({
      x: (x * Math.cos(angle) - y * Math.sin(angle)) * k,
      y: (x * Math.sin(angle) + y * Math.cos(angle)) * k,
    })),
  );
  const all = turned.flat();
  const margin = width + 4;
  const [left, top] = [Math.min(...all.map((p) => p.x)) - margin, Math.min(...all.map((p) => p.y)) - margin];
  const lines = turned.map((line) => line.map((p) => ({ x: p.x - left, y: p.y - top })));
  const size = (axis: 'x' | 'y') => Math.ceil(Math.max(...lines.flat().map((p) => p[axis])) + margin);
  return { mask: maskOf(strokeLines(lines, width, size('x'), size('y'))), lines, width };
}

function strokeLines(lines: readonly (readonly Point[])[], width: number, w: number, h: number): Canvas {
  const canvas = createCanvas(w, h);
  const context = canvas.getContext('2d');
  context.lineCap = 'round';
  context.lineJoin = 'round';
  context.lineWidth = width;
  for (const line of lines) {
    context.beginPath();
    line.forEach((p, i) => (i ? context.lineTo(p.x, p.y) : context.moveTo(p.x, p.y)));
    context.stroke();
    context.beginPath();
    context.arc(line[0]!.x, line[0]!.y, width / 2, 0, 2 * Math.PI);
    context.fill();
  }
  return canvas;
}

/** Points along a traced stroke, a pixel apart. */
export function pointsAlong(stroke: TracedStroke): Point[] {
  const m = measurePath(stroke.path);
  const n = Math.max(1, Math.ceil(m.length));
  return Array.from({ length: n + 1 }, (_, i) => pointAtLength(m, (m.length * i) / n));
}

function toLine(p: Point, line: readonly Point[]): number {
  let best = Infinity;
  for (let i = 1; i < line.length; i++) {
    const [a, b] = [line[i - 1]!, line[i]!];
    const [ex, ey] = [b.x - a.x, b.y - a.y];
    const t = clamp(((p.x - a.x) * ex + (p.y - a.y) * ey) / (ex * ex + ey * ey || 1), 0, 1);
    best = Math.min(best, Math.hypot(p.x - a.x - ex * t, p.y - a.y - ey * t));
  }
  return line.length === 1 ? Math.hypot(p.x - line[0]!.x, p.y - line[0]!.y) : best;
}

/** Connected pieces of ink and of holes in it. */
function piecesAndHoles(mask: Mask): { pieces: number; holes: number } {
  const { width, height, data } = mask;
  const w = width + 2;
  const h = height + 2;
  const ink = new Uint8Array(w * h);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) ink[(y + 1) * w + x + 1] = data[y * width + x]! > 127 ? 1 : 0;
  const seen = new Uint8Array(w * h);
  const flood = (start: number, value: number, eight: boolean): number => {
    const stack = [start];
    let size = 0;
    seen[start] = 1;
    while (stack.length > 0) {
      const at = stack.pop()!;
      size++;
      const x = at % w;
      const y = (at / w) | 0;
      for (let dy = -1; dy <= 1; dy++)
        for (let dx = -1; dx <= 1; dx++) {
          if ((!eight && dx !== 0 && dy !== 0) || x + dx < 0 || y + dy < 0 || x + dx >= w || y + dy >= h)
            continue;
          const to = (y + dy) * w + x + dx;
          if (seen[to] || ink[to] !== value) continue;
          seen[to] = 1;
          stack.push(to);
        }
    }
    return size;
  };
  let [pieces, holes] = [0, -1];
  for (let i = 0; i < ink.length; i++) {
    if (seen[i]) continue;
    const size = flood(i, ink[i]!, ink[i] === 1);
    // Four pixels are a flaw of the raster, not a counter of the letter.
    if (ink[i] === 1) pieces++;
    else if (size > 4) holes++;
  }
  return { pieces, holes };
}

const TURNS_BACK = (165 * Math.PI) / 180;

/** Where a line turns back on itself the ink ends, though the pen goes on: it is cut there. */
function cutAtTurns(line: readonly Point[]): Point[][] {
  const out: Point[][] = [[line[0]!]];
  for (let i = 1; i < line.length; i++) {
    out.at(-1)!.push(line[i]!);
    if (i === line.length - 1) break;
    const [a, b, c] = [line[i - 1]!, line[i]!, line[i + 1]!];
    const turn = Math.abs(
      Math.atan2(
        (b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x),
        (b.x - a.x) * (c.x - b.x) + (b.y - a.y) * (c.y - b.y),
      ),
    );
    if (turn > TURNS_BACK) out.push([b]);
  }
  return out;
}

/** An end of known lines at which the ink ends; at a tip the pen comes back, along another line or its own. */
interface FreeEnd extends Point {
  readonly isTip: boolean;
}

/** Ends of the known lines at which the ink ends: no other line lies within the ink there. */
function freeEnds({ lines, width }: Drawn): FreeEnd[] {
  const out: FreeEnd[] = [];
  const runs = lines.filter((line) => extent(line) > 0.5 * width).flatMap(cutAtTurns);
  const ends = runs.flatMap((run, index) => [
    { end: run[0]!, next: run[1]!, run, index },
    { end: run.at(-1)!, next: run.at(-2)!, run, index },
  ]);
  for (const here of ends) {
    const together = ends.filter(
      (o) => o !== here && Math.hypot(o.end.x - here.end.x, o.end.y - here.end.y) < 0.4 * width,
    );
    // Lines that set out from the same place side by side end there together; others meet there.
    if (together.some((o) => angleAt(here.end, here.next, o.next) > Math.PI - TURNS_BACK)) continue;
    const apart = runs.filter((_, k) => k !== here.index && together.every((o) => o.index !== k));
    // Of lines that set out here, its own among them, only what lies farther along counts.
    const beyondHere = [here, ...together].map((o) =>
      beyond(o.run[0] === o.end ? o.run : [...o.run].reverse(), 2.2 * width),
    );
    const all = [...apart, ...beyondHere.filter((run) => run.length > 1)];
    if (all.some((run) => toLine(here.end, run) < 0.8 * width)) continue;
    if (out.every((p) => Math.hypot(p.x - here.end.x, p.y - here.end.y) > 0.5 * width))
      out.push({ ...here.end, isTip: together.length > 0 });
  }
  return out;
}

const angleAt = (p: Point, a: Point, b: Point): number =>
  Math.abs(
    Math.atan2(
      (a.x - p.x) * (b.y - p.y) - (a.y - p.y) * (b.x - p.x),
      (a.x - p.x) * (b.x - p.x) + (a.y - p.y) * (b.y - p.y),
    ),
  );

const extent = (line: readonly Point[]): number =>
  Math.max(...line.map((p) => Math.hypot(p.x - line[0]!.x, p.y - line[0]!.y)));

function beyond(run: readonly Point[], length: number): Point[] {
  let way = 0;
  return run.filter((p, i) => {
    if (i > 0) way += Math.hypot(p.x - run[i - 1]!.x, p.y - run[i - 1]!.y);
    return way > length;
  });
}

export interface LetterResult {
  readonly name: string;
  /** Distances of traced points from the known lines, in widths. */
  readonly distances: number[];
  /** Distances of known points from the traced lines, in widths. */
  readonly back: number[];
  readonly endDistances: number[];
  readonly topology: boolean;
  readonly why: string;
  readonly strokes: readonly TracedStroke[];
}

/** Traces a drawn letter and compares with what is known of it. */
export function judge(name: string, drawn: Drawn): LetterResult {
  const { mask, lines, width } = drawn;
  const strokes = centreLines(mask)!;
  const traced = strokes.map(pointsAlong);
  const distances = traced.flat().map((p) => Math.min(...lines.map((line) => toLine(p, line))) / width);
  const known = lines.flatMap((line) =>
    line.slice(1).flatMap((b, i) => {
      const a = line[i]!;
      const n = Math.max(1, Math.ceil(Math.hypot(b.x - a.x, b.y - a.y) / 3));
      return Array.from({ length: n }, (_, k) => ({
        x: a.x + ((b.x - a.x) * k) / n,
        y: a.y + ((b.y - a.y) * k) / n,
      }));
    }),
  );
  const back = known.map((p) => Math.min(...traced.map((line) => toLine(p, line))) / width);
  const ends = strokes.flatMap((s) => {
    if (s.kind !== 'line') return [];
    const points = s.path.points;
    return [...(s.freeStart ? [points[0]!] : []), ...(s.freeEnd ? [points.at(-1)!] : [])];
  });
  const truth = freeEnds(drawn);
  const endDistances = truth.map(
    (p) => Math.min(...ends.map((e) => Math.hypot(e.x - p.x, e.y - p.y)), 9 * width) / width,
  );
  const lifted = truth.filter(({ isTip }) => !isTip).length;
  const ink = piecesAndHoles(mask);
  const thin = piecesAndHoles(
    maskOf(strokeLines(traced, Math.max(1.5, 0.3 * width), mask.width, mask.height)),
  );
  const problems = [
    thin.pieces !== ink.pieces && `pieces ${thin.pieces}/${ink.pieces}`,
    thin.holes !== ink.holes && `rings ${thin.holes}/${ink.holes}`,
    // Whether the pen was lifted at a tip is not in the ink: it may be an end there, or turn.
    (ends.length > truth.length || ends.length < lifted) && `ends ${ends.length}/${truth.length}`,
  ].filter(Boolean);
  return {
    name,
    distances,
    back,
    endDistances,
    topology: problems.length === 0,
    why: problems.join(', '),
    strokes,
  };
}

export const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789';
