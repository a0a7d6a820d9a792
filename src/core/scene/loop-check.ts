import {
  boxOf,
  contentOf,
  groupsAround,
  layersOf,
  membersOf,
  riddenAt,
  windowAt,
  worldOf,
  type Layer,
  type Part,
  type Piece,
  type Stroke,
} from '../document';
import { kept } from '../draw';
import { applyMatrix, distance, measurePath } from '../geometry';
import { inkedLengths, patternLength, runsOf } from '../ink';
import { valueAt } from '../timing';
import { maskSignature } from './mask-shapes';
import { evaluate, innerFrame, letteringAt } from './evaluate';
import { dashesAt, inkSignature } from './ink-now';
import { momentOf, type Moment } from './moment';
import { onlySeen } from './shown-box';

/** A layer or group that does not look the same when the piece begins again. */
export interface LoopGap {
  readonly part: Part;
  /** What of it differs: where its ink lies, how it looks, where it is placed, what its masks leave, what its text or piece shows, what effects make of it. */
  readonly differs: 'ink' | 'look' | 'place' | 'strength' | 'masks' | 'text' | 'piece' | 'finish';
  /** Pixels of path that are inked at one of the two moments and not at the other; 0 for everything else. */
  readonly pixels: number;
}

/** Less than this differs is not seen, px. */
const SEEN = 0.5;

type Spans = readonly { readonly from: number; readonly to: number }[];

function spansAt(stroke: Stroke, frame: number): Spans {
  const length = Math.max(1, measurePath(stroke.path).length);
  return runsOf(windowAt(stroke, frame), stroke.path.closed).flatMap((run) => {
    const inked = inkedLengths(run, length, stroke.path.closed);
    if (!inked) return [];
    // On a closed path ink may pass the first point; the whole of it is the whole, wherever it begins.
    if (inked.to - inked.from >= length) return [{ from: 0, to: length }];
    return inked.to > length
      ? [
          { from: inked.from, to: length },
          { from: 0, to: inked.to - length },
        ]
      : [inked];
  });
}

const lengthOf = (spans: Spans): number => spans.reduce((sum, s) => sum + s.to - s.from, 0);
const shared = (a: Spans, b: Spans): number =>
  a.reduce(
    (sum, p) =>
      b.reduce((inner, q) => inner + Math.max(0, Math.min(p.to, q.to) - Math.max(p.from, q.from)), sum),
    0,
  );

/** The two frames that must look alike: the first, and one after the last. */
type Ends = readonly [first: number, after: number];

/** What of one part by itself differs between two frames, groups around it left out. */
function differsByItself(piece: Piece, part: Part, ends: Ends): Difference {
  const { masks } = part;
  if (masks && !same(ends, (frame) => maskSignature(masks, frame))) return { differs: 'masks', pixels: 0 };
  return 'type' in part ? (DIFFERS[part.type] as Differs)(piece, part, ends) : null;
}

type Difference = Omit<LoopGap, 'part'> | null;
type Differs<L extends Layer = Layer> = (piece: Piece, layer: L, ends: Ends) => Difference;

function strokeDiffers(piece: Piece, stroke: Stroke, ends: Ends): Difference {
  const [first, after] = [spansAt(stroke, ends[0]), spansAt(stroke, ends[1])];
  const pixels = lengthOf(first) + lengthOf(after) - 2 * shared(first, after);
  if (pixels > SEEN) return { differs: 'ink', pixels };
  if (lengthOf(first) <= SEEN) return null;
  const looks = ends.map((frame) => lookAt(stroke, momentOf(piece, frame)));
  return looks[0]!.every((mark, i) => alike(mark, looks[1]![i]!)) ? null : { differs: 'look', pixels: 0 };
}

/** What of each kind of layer differs between two frames. */
const DIFFERS: { readonly [K in Layer['type']]: Differs<Extract<Layer, { type: K }>> } = {
  art: () => null,
  lettering: (piece, text, ends) =>
    same(ends, (frame) => letteringAt(text, piece, frame)) ? null : { differs: 'text', pixels: 0 },
  piece(piece, nested, ends) {
    const [a, b] = ends.map((frame) => innerFrame(nested, piece, frame)) as [number | null, number | null];
    if (a === null && b === null) return null;
    const closes =
      a !== null && b !== null && (a === b || gapsBetween(contentOf(nested), [a, b]).length === 0);
    return closes ? null : { differs: 'piece', pixels: 0 };
  },
  // Of many strokes most are as they were when the piece was looked at last.
  stroke: (piece, stroke, ends) =>
    kept(stroke, 'loop', [...ends, piece.rate, piece.length], () => strokeDiffers(piece, stroke, ends)),
};

/** How strong a part is at a frame, the groups around it reckoned in. */
const strengthAt = (piece: Piece, part: Part, frame: number): number =>
  [part, ...groupsAround(piece, part)].reduce(
    (product, one) =>
      product *
      (one.place ? valueAt(one.place.opacity, frame) : 1) *
      (one.place?.rider ? (riddenAt(piece, one.place.rider, frame)?.presence ?? 1) : 1),
    1,
  );

/** Whether effects make something else of what is the same by itself. */
function finishDiffers(piece: Piece, part: Part, ends: Ends): boolean {
  if (!part.effects?.some(({ on }) => on)) return false;
  const alone = onlySeen(piece, layersOf(piece, part.id));
  return !same(ends, (frame) => evaluate(alone, frame).items);
}

function gapsBetween(piece: Piece, ends: Ends): LoopGap[] {
  const strength = (part: Part): number[] => ends.map((frame) => strengthAt(piece, part, frame));
  const seen = (part: Part): boolean => strength(part).some((value) => value > 0);
  function of(part: Part): LoopGap | null {
    const own = differsByItself(piece, part, ends);
    if (own) return { part, ...own };
    // Groups move and fade what is in them: that is told of their layers, which are seen.
    const finish = (): LoopGap | null =>
      finishDiffers(piece, part, ends) ? { part, differs: 'finish', pixels: 0 } : null;
    if (!('type' in part)) return membersOf(piece, part.id).some(of) ? null : finish();
    const [a, b] = strength(part);
    if (Math.abs(a! - b!) > 1e-3) return { part, differs: 'strength', pixels: 0 };
    const box = boxOf(piece, part.id);
    const corners = box
      ? [
          { x: box.left, y: box.top },
          { x: box.right, y: box.bottom },
        ]
      : [];
    const [m, n] = ends.map((frame) => worldOf(piece, part, frame));
    const moved = corners.some((p) => distance(applyMatrix(m!, p), applyMatrix(n!, p)) > SEEN);
    return moved ? { part, differs: 'place', pixels: 0 } : finish();
  }
  const layers = piece.layers.filter((layer) => !layer.hidden);
  const inUse = piece.groups.filter((group) => membersOf(piece, group.id).some((layer) => !layer.hidden));
  return [...layers, ...inUse].filter(seen).flatMap((part) => of(part) ?? []);
}

/**
 * The layers and groups by which a loop is seen to jump: those that look otherwise one frame after the last than at the first,
 * by their ink, their look, where they stand, their masks and mattes, their text, or the piece they show. None where the piece
 * plays over and over without a seam.
 */
export const loopGaps = (piece: Piece): LoopGap[] => gapsBetween(piece, [0, piece.length]);

const same = (ends: Ends, at: (frame: number) => unknown): boolean =>
  JSON.stringify(at(ends[0])) === JSON.stringify(at(ends[1]));

const alike = (a: number | string, b: number | string): boolean =>
  typeof a === 'number' && typeof b === 'number' ? Math.abs(a - b) < 1e-6 : a === b;

/** All that an ink's look depends on; of a march only where in its pattern it stands. */
function lookAt({ ink, path }: Stroke, moment: Moment): (number | string)[] {
  const { dashes } = ink;
  const signature = inkSignature(dashes ? { ...ink, dashes: { ...dashes, flow: 'stay' } } : ink, moment);
  const now = dashes && dashesAt(dashes, valueAt(ink.width, moment.frame), measurePath(path).length, moment);
  if (!now) return [...signature];
  const period = patternLength(now.pattern);
  const turn = period > 0 ? now.phase / period : 0;
  // On a circle, so that just before a turn and just after it are near each other.
  return [...signature, Math.cos(2 * Math.PI * turn), Math.sin(2 * Math.PI * turn)];
}
