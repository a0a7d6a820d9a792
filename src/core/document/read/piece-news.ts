import type { Group, Layer, Piece } from '../schema';

/** What of a piece is new since another that whoever hears of it has: layers and groups that it has by their ids alone. */
export interface PieceNews {
  readonly layers?: readonly (Layer | string)[];
  readonly groups?: readonly (Group | string)[];
  /** Everything else that is another now, as it is now. */
  readonly rest: Partial<Omit<Piece, 'layers' | 'groups'>>;
}

function listNews<T extends { readonly id: string }>(
  before: readonly T[],
  after: readonly T[],
): readonly (T | string)[] {
  const known = new Set(before);
  return after.map((one) => (known.has(one) ? one.id : one));
}

function listWith<T extends { readonly id: string }>(list: readonly T[], news: readonly (T | string)[]): T[] {
  const known = new Map(list.map((one) => [one.id, one]));
  return news.flatMap((one) => (typeof one === 'string' ? (known.get(one) ?? []) : one));
}

/**
 * What is new in a piece, told by what both share: what is the same object is the same.
 * @param before what is known already; null where nothing is.
 */
export function newsOf(before: Piece | null, after: Piece): PieceNews {
  const { layers, groups, ...own } = after;
  const names = new Set([...Object.keys(own), ...Object.keys(before ?? {})]) as Set<keyof Piece>;
  const isNew = (name: keyof Piece): boolean =>
    name !== 'layers' && name !== 'groups' && (!before || before[name] !== after[name]);
  return {
    ...(before?.layers !== layers && { layers: listNews(before?.layers ?? [], layers) }),
    ...(before?.groups !== groups && { groups: listNews(before?.groups ?? [], groups) }),
    rest: Object.fromEntries([...names].filter(isNew).map((name) => [name, after[name]])),
  };
}

/** A piece with what is new in it; all else of it stays the very objects it was, and without news so does the piece. */
export function withNews(piece: Piece | null, { layers, groups, rest }: PieceNews): Piece {
  if (piece && !layers && !groups && Object.keys(rest).length === 0) return piece;
  return {
    ...(piece as Piece),
    ...rest,
    ...(layers && { layers: listWith(piece?.layers ?? [], layers) }),
    ...(groups && { groups: listWith(piece?.groups ?? [], groups) }),
  };
}
