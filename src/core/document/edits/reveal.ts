import { changed, updateParts } from '../parts';
import { partWithId, revealCycle, revealThrough, type Part, type Piece, type Reveal } from '../schema';

/** Changes what layers or groups are seen through. */
export const setReveal = (piece: Piece, ids: readonly string[], reveal: Reveal | null): Piece =>
  updateParts(piece, ids, <P extends Part>(part: P) =>
    changed<P>(part, { reveal: reveal ?? undefined } as Partial<P>),
  );

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
export const revealersOf = (piece: Pick<Piece, 'layers' | 'groups'>, reveal: Reveal): Part[] =>
  reveal.through.flatMap((id) => partWithId(piece, id) ?? []);

/** What is seen through a layer or group. */
export const revealedBy = (piece: Pick<Piece, 'layers' | 'groups'>, id: string): Part[] =>
  [...piece.layers, ...piece.groups].filter((one) => one.reveal?.through.includes(id));
