import { fitPath, type Path } from '../../geometry';
import type { Cap, WidthShare } from '../../ink';
import { contours, evenRing, HALF, inkArea, labelPieces, ringArea, type Mask, type Ring } from '../../mask';
import { clamp } from '../../numbers';
import { chainsOf, joinsOf, pruneSpurs, sharpenAngles, skeletonOf, widthOf, type Chain } from '../skeleton';
import { reachEnds, sharpenCorners } from './finish-line';
import { linesOf, type Line } from './lines';
import { settleLines } from './settle-lines';
import { asHandGoes, goesOn, writtenAt, writtenGraph, type Ductus, type Written } from './written-lines';

export interface CentreLineOptions {
  /** Greatest distance of a stroke from the measured middle, as a share of the ink's usual width. */
  readonly detail: number;
  /** How far ink must stick out of a line to be a stroke of its own, in half that line's width. */
  readonly spurs: number;
  /** `fewest`: strokes go on round corners and join where they meet; `parts`: a stroke for each part of a letter. */
  readonly lifts: 'fewest' | 'parts';
}

export const CENTRE_LINE_OPTIONS: CentreLineOptions = { detail: 0.016, spurs: 0.6, lifts: 'fewest' };

/** A stroke that a pen would have made, in pixels of the mask. */
export interface TracedStroke {
  readonly path: Path;
  /** Width of the line, px: its widest place where the width differs along it. */
  readonly width: number;
  /** Share of that width along the length; null where it is as good as even. */
  readonly widths: readonly WidthShare[] | null;
  /** Caps where it begins and where it ends. */
  readonly cap: Cap;
  readonly endCap: Cap;
  readonly kind: 'line' | 'ring' | 'dot';
  /** Number of the connected piece of ink it was found in. */
  readonly piece: number;
  /** Whether each end is an end of the ink; else it lies on another stroke. */
  readonly freeStart: boolean;
  readonly freeEnd: boolean;
  /** When in its letter it is written, where that is known. */
  readonly written?: Written;
  /** Which glyph of its text it belongs to, where it was traced letter by letter. */
  readonly glyph?: number;
}

/** Ink smaller than this is dirt, px². */
const SPECK = 4;

/** A dot: a piece of ink about as high as wide. */
function dotOf(ring: Ring, area: number, piece: number): TracedStroke {
  const n = ring.x.length;
  let [x, y] = [0, 0];
  for (let i = 0; i < n; i++) {
    x += ring.x[i]! / n;
    y += ring.y[i]! / n;
  }
  // A disc fills π/4 of the square around it, a square all of it.
  const [left, right] = [Math.min(...ring.x), Math.max(...ring.x)];
  const [top, bottom] = [Math.min(...ring.y), Math.max(...ring.y)];
  const square = area / ((right - left) * (bottom - top)) > 0.93;
  return {
    path: { closed: false, points: [{ x, y, in: { x: 0, y: 0 }, out: { x: 0, y: 0 }, kind: 'corner' }] },
    width: square ? Math.sqrt(area) : 2 * Math.sqrt(area / Math.PI),
    widths: null,
    cap: square ? 'square' : 'round',
    endCap: square ? 'square' : 'round',
    kind: 'dot',
    piece,
    freeStart: true,
    freeEnd: true,
  };
}

const smoothed = (line: Line): Line => {
  // The middle of pixels wavers by a tenth of one; a short mean along the line takes that out and no more.
  const { places, closed } = line;
  const n = places.length;
  if (n < 5) return line;
  return {
    ...line,
    places: places.map((p, i) => {
      if (p.corner || (!closed && (i === 0 || i === n - 1))) return p;
      const [a, b] = [places[(i - 1 + n) % n]!, places[(i + 1) % n]!];
      if (a.corner || b.corner) return p;
      return {
        ...p,
        x: (a.x + 2 * p.x + b.x) / 4,
        y: (a.y + 2 * p.y + b.y) / 4,
        r: (a.r + 2 * p.r + b.r) / 4,
      };
    }),
  };
};

/** A line cut at its corners; a ring with corners comes apart into open lines. */
function partsOf(line: Line): Line[] {
  const { places, closed } = line;
  const corners = places.flatMap((p, i) => (p.corner ? [i] : []));
  if (corners.length === 0) return [line];
  const first = corners[0]!;
  // Round a ring, begin at its first corner and end there.
  const run = closed ? [...places.slice(first), ...places.slice(0, first + 1)] : places;
  const cuts = run.flatMap((p, i) => (p.corner && i > 0 && i < run.length - 1 ? [i] : []));
  const ends = [0, ...cuts, run.length - 1];
  return ends.slice(1).map((end, k) => ({
    places: run.slice(ends[k], end + 1),
    closed: false,
    piece: line.piece,
    freeStart: !closed && k === 0 && line.freeStart,
    freeEnd: !closed && k === ends.length - 2 && line.freeEnd,
    runs: line.runs,
  }));
}

function strokesOf(
  line: Line,
  mask: Mask,
  tolerance: number,
  lifts: CentreLineOptions['lifts'],
): TracedStroke[] {
  return (lifts === 'parts' ? partsOf(line) : [line]).map((part): TracedStroke => {
    const { line: reaching, flat } = reachEnds(part, mask);
    const { places, closed } = reaching;
    const corners = places.flatMap((p, i) => (p.corner ? [i] : []));
    return {
      path: fitPath(places, tolerance, corners, closed),
      ...widthOf(places, closed),
      cap: flat.start ? 'flat' : 'round',
      endCap: flat.end ? 'flat' : 'round',
      kind: closed ? 'ring' : 'line',
      piece: part.piece,
      freeStart: part.freeStart,
      freeEnd: part.freeEnd,
    };
  });
}

/** Whether a run is shorter than the ink is wide: the middle of a dot. */
function isSpot({ x, y, r, from, to, closed }: Chain): boolean {
  if (closed || from !== null || to !== null) return false;
  const span = Math.max(...x.map((at, i) => Math.hypot(at - x[0]!, y[i]! - y[0]!)));
  return span < 0.6 * Math.max(...r);
}

/** The mask with specks of ink and pinholes gone, so that what is looked up in it agrees with the outlines. */
function withoutSpecks(mask: Mask, specks: readonly { x: number[]; y: number[] }[]): Mask {
  if (specks.length === 0) return mask;
  const data = mask.data.slice();
  for (const speck of specks) {
    const hole = ringArea(speck) < 0;
    const [x0, x1] = [Math.floor(Math.min(...speck.x) - 0.5), Math.ceil(Math.max(...speck.x) - 0.5)];
    const [y0, y1] = [Math.floor(Math.min(...speck.y) - 0.5), Math.ceil(Math.max(...speck.y) - 0.5)];
    for (let y = Math.max(0, y0); y <= Math.min(mask.height - 1, y1); y++) {
      for (let x = Math.max(0, x0); x <= Math.min(mask.width - 1, x1); x++) {
        const at = y * mask.width + x;
        if (data[at]! > HALF !== hole) data[at] = hole ? 255 : 0;
      }
    }
  }
  return { ...mask, data };
}

/** Steps of the work, for a caller that shows progress: share done, 0..1. Answering false stops it. */
export type TraceProgress = (done: number) => boolean;

/**
 * The strokes a pen would have made to leave this ink: its centre-lines, through crossings, with corners where the
 * ink has them and ends as far as it reaches, each with its width. In no particular order or direction.
 * @param ductus how a hand writes the letter that the ink is; where it is known, lines go on, turn and begin as it says.
 * @returns null when `progress` stopped it.
 */
export function centreLines(
  drawn: Mask,
  options: CentreLineOptions = CENTRE_LINE_OPTIONS,
  progress: TraceProgress = () => true,
  ductus: Ductus | null = null,
): TracedStroke[] | null {
  const outlines = contours(drawn);
  const specks = outlines.filter((ring) => Math.abs(ringArea(ring)) <= SPECK);
  const mask = withoutSpecks(drawn, specks);
  const raw = outlines.filter((ring) => !specks.includes(ring));
  if (raw.length === 0) return [];
  let edge = 0;
  for (const ring of raw) {
    for (let i = 1; i < ring.x.length; i++) {
      edge += Math.hypot(ring.x[i]! - ring.x[i - 1]!, ring.y[i]! - ring.y[i - 1]!);
    }
  }
  // A line of width w and length l has the area w·l and an edge of 2·l.
  const typical = Math.max(1, inkArea(mask) / edge);
  const rings = raw.map((ring) => evenRing(ring, clamp(typical / 4, 0.8, 2)));
  if (!progress(0.2)) return null;
  const { labels } = labelPieces(mask);
  const pieceAt = (x: number, y: number): number => {
    const i = clamp(Math.floor(x), 0, mask.width - 1);
    const j = clamp(Math.floor(y), 0, mask.height - 1);
    return labels[j * mask.width + i]!;
  };
  const skeleton = skeletonOf(mask, rings, typical);
  if (!progress(0.6)) return null;
  const graph = chainsOf(skeleton, pieceAt);
  sharpenAngles(graph, mask);
  pruneSpurs(graph, options.spurs);
  sharpenAngles(graph, mask);
  const spots = rings.flatMap((ring) => {
    const area = ringArea(ring);
    const piece = area > 0 ? pieceOfRing(ring, pieceAt) : 0;
    const own = graph.chains.filter((chain) => chain.piece === piece);
    if (piece === 0 || !own.every(isSpot)) return [];
    for (const chain of own) graph.chains.splice(graph.chains.indexOf(chain), 1);
    return [dotOf(ring, area, piece)];
  });
  const hand =
    ductus &&
    writtenGraph(
      graph,
      spots.map((spot) => spot.path.points[0]!),
      ductus,
    );
  const { joins, inner } = joinsOf(graph, mask, {
    fewestLifts: options.lifts === 'fewest',
    ...(hand && { goesOn: (arms) => goesOn(hand, arms) }),
  });
  const chains = graph.chains.filter((chain) => !inner.has(chain));
  if (!progress(0.75)) return null;
  const strokes: TracedStroke[] = [];
  const tolerance = Math.max(0.12, options.detail * 2 * typical);
  const gone = linesOf(chains, joins).map((line) =>
    hand ? asHandGoes(line, hand) : { line, written: undefined },
  );
  const settled = settleLines(
    gone.map(({ line }) => sharpenCorners(smoothed(smoothed(line)), mask)),
    mask,
    labels,
  );
  settled.forEach((line, i) => {
    const found = strokesOf(line, mask, tolerance, options.lifts);
    const { written } = gone[i]!;
    strokes.push(...(written ? found.map((stroke) => ({ ...stroke, written })) : found));
  });
  strokes.push(
    ...spots.map((spot, i) =>
      hand ? { ...spot, written: writtenAt(hand.match, hand.placedDots[i]) } : spot,
    ),
  );
  return progress(1) ? strokes : null;
}

/** The piece of ink an outer outline surrounds: looked for a little inside it. */
function pieceOfRing(ring: Ring, pieceAt: (x: number, y: number) => number): number {
  const n = ring.x.length;
  for (let i = 0; i < n; i++) {
    const k = (i + 1) % n;
    const [dx, dy] = [ring.x[k]! - ring.x[i]!, ring.y[k]! - ring.y[i]!];
    const long = Math.hypot(dx, dy) || 1;
    // Ink lies on the right hand.
    const piece = pieceAt(ring.x[i]! - dy / long, ring.y[i]! + dx / long);
    if (piece !== 0) return piece;
  }
  return 0;
}
