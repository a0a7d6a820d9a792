import {
  changed,
  cutName,
  isCorrected,
  markOf,
  newStroke,
  strokesOf,
  type Ink,
  type Piece,
  type Stroke,
} from '../../document';
import { measurePath, pointAtLength, type Path, type Point } from '../../geometry';
import type { TracedStroke } from '../lines';

const SAMPLES = 12;

function samplesOf(path: Path): Point[] {
  const m = measurePath(path);
  return Array.from({ length: SAMPLES + 1 }, (_, i) => pointAtLength(m, (m.length * i) / SAMPLES));
}

/** How unlike two paths are, px: mean distance of places at the same share of the length, written either way. */
function unlike(a: readonly Point[], b: readonly Point[]): number {
  const mean = (order: (i: number) => number): number =>
    a.reduce((sum, p, i) => sum + Math.hypot(p.x - b[order(i)]!.x, p.y - b[order(i)]!.y), 0) / a.length;
  return Math.min(
    mean((i) => i),
    mean((i) => b.length - 1 - i),
  );
}

/** Whether two strokes may be the same: those of different letters are not. */
const sameLetter = ({ glyph }: TracedStroke, { traced }: Stroke): boolean =>
  glyph === undefined || traced?.glyph === undefined || glyph === traced.glyph;

/**
 * Pairs new strokes with old ones of the same source that lie about where they do, the most alike first; what is left of a letter
 * that has as many strokes as before is paired in its order, as where another face gives the letter another shape.
 */
function matchStrokes(fresh: readonly TracedStroke[], old: readonly Stroke[]): Map<number, Stroke> {
  const [a, b] = [fresh.map((s) => samplesOf(s.path)), old.map((s) => samplesOf(s.path))];
  const pairs: { i: number; j: number; off: number }[] = [];
  a.forEach((p, i) =>
    b.forEach((q, j) => {
      if (!sameLetter(fresh[i]!, old[j]!)) return;
      const length = measurePath(fresh[i]!.path).length;
      const off = unlike(p, q);
      if (off < Math.max(1.5 * fresh[i]!.width, 0.15 * length)) pairs.push({ i, j, off });
    }),
  );
  const found = new Map<number, Stroke>();
  const taken = new Set<number>();
  for (const { i, j } of pairs.sort((p, q) => p.off - q.off)) {
    if (found.has(i) || taken.has(j)) continue;
    found.set(i, old[j]!);
    taken.add(j);
  }
  for (const glyph of new Set(fresh.map((stroke) => stroke.glyph))) {
    if (glyph === undefined) continue;
    const left = fresh.flatMap((stroke, i) => (stroke.glyph === glyph && !found.has(i) ? [i] : []));
    const waiting = old.filter((stroke, j) => stroke.traced?.glyph === glyph && !taken.has(j));
    if (left.length === waiting.length) left.forEach((i, k) => found.set(i, waiting[k]!));
  }
  return found;
}

export interface RetraceOptions {
  /** The art, lettering or underlay the strokes were traced from. */
  readonly source: string;
  readonly colour: string;
  readonly keepWidths: boolean;
  /** Name of the i-th new stroke. */
  readonly name: (i: number, stroke: TracedStroke) => string;
  readonly newId: () => string;
}

/** What bringing a trace into a piece does to it. */
interface Retraced {
  readonly piece: Piece;
  readonly ids: readonly string[];
  readonly added: number;
  /** Strokes that were there before and still match, and of them those whose hand corrections were kept. */
  readonly kept: number;
  readonly corrected: number;
  readonly removed: number;
}

function inkOf(stroke: TracedStroke, { colour, keepWidths }: RetraceOptions): Ink {
  return {
    width: Math.round(stroke.width * 100) / 100,
    colour,
    opacity: 1,
    cap: stroke.cap,
    ...(stroke.endCap !== stroke.cap && { endCap: stroke.endCap }),
    join: 'round',
    ...(keepWidths && stroke.widths && { widths: stroke.widths }),
  };
}

/**
 * Brings a trace into a piece. Strokes of the same source that still match keep their id, name, ink (but its width and caps), timing and,
 * where their path was corrected by hand, that path; those that match nothing go, unless a hand corrected them. The
 * strokes stand in the trace's order, where the first of the old ones stood.
 */
export function retrace(piece: Piece, fresh: readonly TracedStroke[], options: RetraceOptions): Retraced {
  const old = strokesOf(piece).filter((stroke) => stroke.traced?.from === options.source);
  const matched = matchStrokes(fresh, old);
  let corrected = 0;
  const made = fresh.map((stroke, i): Stroke => {
    const before = matched.get(i);
    const { glyph } = stroke;
    const traced = {
      from: options.source,
      mark: markOf(stroke.path),
      ...(glyph !== undefined && { glyph }),
    };
    if (!before) {
      const name = cutName(options.name(i, stroke));
      return { ...newStroke(options.newId(), name, stroke.path, inkOf(stroke, options)), traced };
    }
    if (isCorrected(before)) {
      corrected++;
      // What a hand corrected stays, and is now of the letter that it writes.
      return { ...before, traced: changed(before.traced!, { glyph }) };
    }
    const ink = inkOf(stroke, options);
    return {
      ...before,
      path: stroke.path,
      ink: changed(before.ink, {
        width: ink.width,
        cap: ink.cap,
        endCap: ink.endCap,
        widths: ink.widths,
      }),
      traced,
    };
  });
  const reused = new Set([...matched.values()].map((stroke) => stroke.id));
  const saved = old.filter((stroke) => !reused.has(stroke.id) && isCorrected(stroke));
  const gone = new Set(old.filter((stroke) => !saved.includes(stroke)).map((stroke) => stroke.id));
  const firstOld = piece.layers.findIndex((layer) => old.includes(layer as Stroke));
  const rest = piece.layers.filter((layer) => !gone.has(layer.id) || saved.includes(layer as Stroke));
  const at =
    firstOld === -1 ? rest.length : piece.layers.slice(0, firstOld).filter((l) => rest.includes(l)).length;
  return {
    piece: { ...piece, layers: [...rest.slice(0, at), ...made, ...rest.slice(at)] },
    ids: made.map((stroke) => stroke.id),
    added: made.length - matched.size,
    kept: matched.size,
    corrected: corrected + saved.length,
    removed: old.length - matched.size - saved.length,
  };
}
