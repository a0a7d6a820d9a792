import { changed } from '../changed';
import { revealCycle, revealThrough, type Reveal } from '../reveal-schema';
import type { Group, Layer, Piece } from '../schema';

/** Changes what layers or groups are seen through. */
export function setReveal(piece: Piece, ids: readonly string[], reveal: Reveal | null): Piece {
  const put = <T extends Layer | Group>(one: T): T =>
    ids.includes(one.id) ? changed<T>(one, { reveal: reveal ?? undefined } as Partial<T>) : one;
  return { ...piece, layers: piece.layers.map(put), groups: piece.groups.map(put) };
}

/** Why something can't be seen through others, in words; null where it can. */
export function revealFault(piece: Piece, ids: readonly string[], through: readonly string[]): string | null {
  if (through.length === 0) return 'Choose what it is to be seen through.';
  if (ids.some((id) => through.includes(id))) return 'Nothing can be seen through itself.';
  const made = setReveal(piece, ids, revealThrough(through));
  return revealCycle(made.layers, made.groups) === null
    ? null
    : 'These are seen through it already, themselves or through others: none of them would ever show. Take that away first.';
}

/** The layers and groups that something is seen through and that are there. */
export function revealersOf(piece: Pick<Piece, 'layers' | 'groups'>, reveal: Reveal): (Layer | Group)[] {
  return reveal.through.flatMap((id): (Layer | Group)[] => {
    const found =
      piece.layers.find((layer) => layer.id === id) ?? piece.groups.find((group) => group.id === id);
    return found ? [found] : [];
  });
}

/** What is seen through a layer or group. */
export const revealedBy = (piece: Pick<Piece, 'layers' | 'groups'>, id: string): (Layer | Group)[] =>
  [...piece.layers, ...piece.groups].filter((one) => one.reveal?.through.includes(id));
