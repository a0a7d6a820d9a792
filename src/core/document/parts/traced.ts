import type { Path } from '../../geometry';
import { strokesOf, type Layer, type Piece, type Stroke } from '../schema';

/** A mark of a path: two paths with the same mark are the same to a thousandth of a pixel. FNV-1a over its numbers. */
export function markOf(path: Path): string {
  let h = 0x811c9dc5;
  const take = (n: number): void => {
    h = Math.imul(h ^ (Math.round(n * 1000) | 0), 0x01000193);
  };
  take(path.closed ? 1 : 0);
  for (const p of path.points) for (const n of [p.x, p.y, p.in.x, p.in.y, p.out.x, p.out.y]) take(n);
  return `${path.points.length}-${(h >>> 0).toString(36)}`;
}

/** What strokes of layouts were marked with before they bore marks of their own. */
const UNMARKED = 'layout';

/** Whether a stroke's path was changed by hand since it was traced. */
export const isCorrected = ({ traced, path }: Pick<Stroke, 'traced' | 'path'>): boolean =>
  traced !== undefined && traced.mark !== UNMARKED && traced.mark !== markOf(path);

/** A stroke that was moved or scaled together with what it was traced from: no correction by hand. */
const withMarkCarried = (before: Stroke, now: Stroke): Stroke =>
  now.traced && !isCorrected(before) ? { ...now, traced: { ...now.traced, mark: markOf(now.path) } } : now;

/** The ids given, with the strokes that uncover what is among them and were traced from it: they go where it goes. */
function withOwnStrokes(piece: Piece, ids: readonly string[]): string[] {
  const sources = new Set(
    piece.layers.filter((layer) => layer.reveal && ids.includes(layer.id)).map((layer) => layer.id),
  );
  const own = strokesOf(piece).filter(({ traced }) => traced && sources.has(traced.from));
  return [...new Set([...ids, ...own.map((stroke) => stroke.id)])];
}

/** Layers moved or scaled together, by a rule for one of them: strokes go along with what they were traced from. */
export function changedTogether(
  piece: Piece,
  ids: readonly string[],
  change: (layer: Layer) => Layer,
): Piece {
  const all = new Set(withOwnStrokes(piece, ids));
  return {
    ...piece,
    layers: piece.layers.map((layer) => {
      if (!all.has(layer.id)) return layer;
      const now = change(layer);
      return layer.type === 'stroke' && layer.traced && all.has(layer.traced.from)
        ? withMarkCarried(layer, now as Stroke)
        : now;
    }),
  };
}
