import {
  changed,
  cutName,
  onSpan,
  removeLayers,
  strokeById,
  strokesOf,
  updateStrokes,
  withOnSpan,
  type Layer,
  type Piece,
  type Stroke,
} from '../../document';
import { crossings, measurePath, pathBounds, type Bounds } from '../../geometry';
import { capsOf, saidCaps } from '../../ink';
import { ringOpened } from '../hands';
import { asOne, between, type Stretch } from '../order';

/** A crossing nearer to an end than this many widths of the stroke is where it begins or ends. */
const AT_AN_END = 0.75;

/** A stroke as a stretch of a pen's way; its width is followed where it is the same at all times. */
const stretchOf = ({ path, ink }: Stroke): Stretch => ({
  path,
  width: typeof ink.width === 'number' ? ink.width : 1,
  widths: ink.widths ?? null,
});

/** A stroke along another way, which is its own: what a hand did along the old one, or it was kept to, says nothing of it. */
const withStretch = (stroke: Stroke, { path, width, widths }: Stretch): Stroke =>
  changed<Stroke>(
    {
      ...stroke,
      path,
      ink: changed(stroke.ink, {
        width: typeof stroke.ink.width === 'number' ? width : stroke.ink.width,
        widths: widths ?? undefined,
      }),
    },
    { hand: undefined, fitted: undefined, between: undefined },
  );

/** Layers that are seen through a stroke are seen through others in its place, each once. */
const seenThrough = (layers: readonly Layer[], id: string, others: readonly string[]): Layer[] =>
  layers.map((layer) =>
    layer.reveal?.through.includes(id)
      ? {
          ...layer,
          reveal: {
            ...layer.reveal,
            through: [...new Set(layer.reveal.through.flatMap((one) => (one === id ? others : [one])))],
          },
        }
      : layer,
  );

/** The stroke that is written after another, where there is one and both have ends; null else. */
export function nextToJoin(piece: Piece, id: string): Stroke | null {
  const strokes = strokesOf(piece);
  const at = strokes.findIndex((stroke) => stroke.id === id);
  const [stroke, next] = [strokes[at], strokes[at + 1]];
  return stroke && next && !stroke.path.closed && !next.path.closed ? next : null;
}

/**
 * Joins a stroke with the one written after it: the pen is not lifted between them. It goes from the end of the first to the
 * beginning of the second, each as it is written, and is written in the time that both took; the second goes.
 */
export function joinToNext(piece: Piece, id: string): Piece {
  const [stroke, next] = [strokeById(piece, id), nextToJoin(piece, id)];
  if (!stroke || !next) return piece;
  const made = asOne([stretchOf(stroke), stretchOf(next)], stretchOf(stroke));
  const [first, second] = [onSpan(stroke), onSpan(next)];
  const left = removeLayers({ ...piece, layers: seenThrough(piece.layers, next.id, [id]) }, [next.id]);
  return updateStrokes(left, [id], (one) => {
    const joined = withStretch(one, made);
    const caps = saidCaps({ start: one.ink.cap, end: capsOf(next.ink).end });
    const whole = { ...joined, ink: changed(joined.ink, caps) };
    return first && second
      ? withOnSpan(whole, { from: first.from, to: Math.max(first.to, second.to) })
      : whole;
  });
}

/** Where strokes that are not hidden cross a stroke, or it crosses itself, as lengths from its start. */
export function crossingsOf(piece: Piece, id: string): number[] {
  const stroke = strokeById(piece, id);
  if (!stroke) return [];
  const { length } = measurePath(stroke.path);
  const near = AT_AN_END * stretchOf(stroke).width;
  const { closed } = stroke.path;
  const box = pathBounds(stroke.path)!;
  // Of many strokes few are near: the others are told by their boxes.
  const isNear = ({ left, right, top, bottom }: Bounds): boolean =>
    left <= box.right && right >= box.left && top <= box.bottom && bottom >= box.top;
  const all = strokesOf(piece)
    .filter((other) => other.id === id || (!other.hidden && isNear(pathBounds(other.path)!)))
    .flatMap((other) => crossings(stroke.path, other.path))
    .sort((a, b) => a - b);
  return all.filter(
    (s, i) => (closed || (s > near && s < length - near)) && (i === 0 || s - all[i - 1]! > near),
  );
}

/** A stroke as it is cut: a closed one is opened at its first cut, and its lengths counted from there. */
function opened(stroke: Stretch, lengths: readonly number[]): { whole: Stretch; cuts: number[] } {
  const m = measurePath(stroke.path);
  if (!stroke.path.closed) return { whole: stroke, cuts: [0, ...lengths, m.length] };
  const first = lengths[0]!;
  return { whole: ringOpened(stroke, first), cuts: [...lengths.map((s) => s - first), m.length] };
}

/**
 * Cuts a stroke at lengths from its start. Its parts follow one another in the writing order and in its time, each as long as its
 * share of the way; the first keeps the stroke's id.
 */
export function cutAt(piece: Piece, id: string, lengths: readonly number[], newId: () => string): Piece {
  const stroke = strokeById(piece, id);
  if (!stroke || lengths.length === 0) return piece;
  const { length } = measurePath(stroke.path);
  const { whole, cuts } = opened(stretchOf(stroke), lengths);
  const span = onSpan(stroke);
  const parts = cuts.slice(1).map((to, i): Stroke => {
    const from = cuts[i]!;
    const part = withStretch(stroke, between(whole, from, to));
    const later = () => ({ ...part, id: newId(), name: cutName(`${stroke.name}, part ${i + 1}`) });
    // What was tied to another stroke's arrival is its beginning.
    const named = i === 0 ? part : changed<Stroke>(later(), { cue: undefined });
    if (!span) return named;
    const frame = (s: number): number => span.from + ((span.to - span.from) * s) / (length || 1);
    return withOnSpan(named, { from: frame(from), to: frame(to) });
  });
  const ids = parts.map((part) => part.id);
  return {
    ...piece,
    layers: seenThrough(piece.layers, id, ids).flatMap((layer) => (layer.id === id ? parts : [layer])),
  };
}
