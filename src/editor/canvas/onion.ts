import { strokesOf } from '@/core/document';
import type { DrawItem, Filter } from '@/core/draw';
import type { Piece } from '@/core/document';
import { evaluate } from '@/core/scene';
import type { Onion } from '../state';
import { OVERLAY } from './colours';

/** How strongly the nearest of the faint frames is seen; each further one less. */
const NEAREST = 0.42;

/** Frames around one, furthest first, each in the colour of its side: the tail’s for what was, the head’s for what comes. */
export function onionItems(piece: Piece, frame: number, { before, after, every }: Onion): DrawItem[] {
  const strokes = { ...piece, layers: strokesOf(piece) };
  const side = (count: number, way: -1 | 1, tint: string): DrawItem[] =>
    Array.from({ length: count }, (_, i) => count - i).flatMap((k): DrawItem[] => {
      const at = frame + way * k * every;
      if (at < 0 || at > piece.length - 1) return [];
      const { items } = evaluate(strokes, at);
      if (items.length === 0) return [];
      const filters: Filter[] = [{ kind: 'tint', colour: tint }];
      return [{ kind: 'group', items, filters, opacity: NEAREST / (1 + 0.6 * (k - 1)) }];
    });
  return [...side(before, -1, OVERLAY.tail), ...side(after, 1, OVERLAY.head)];
}
