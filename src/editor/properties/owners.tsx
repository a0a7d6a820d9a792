'use client';
import { createContext, useContext, useMemo, type ReactNode } from 'react';
import {
  keyedById,
  partOf,
  updateKeyed,
  withPart,
  type AnyAnimated,
  type Keyed,
  type KeyedPart,
  type Piece,
} from '@/core/document';
import { edit, useCalm } from '../state';

/** Whose parts the controls within show and change. */
interface Owners {
  /** Layers, groups or pins. */
  readonly ids: readonly string[];
  /** Puts what the parts belong to there, before they are changed. */
  readonly prepare?: (piece: Piece) => Piece;
}
const OwnersContext = createContext<Owners>({ ids: [] });

/** Says whose parts the controls within it show and change. */
export function OwnersOf({ ids, prepare, children }: Owners & { children: ReactNode }) {
  const key = ids.join();
  const value = useMemo(
    () => ({ ids: key === '' ? [] : key.split(','), ...(prepare && { prepare }) }),
    [key, prepare],
  );
  return <OwnersContext value={value}>{children}</OwnersContext>;
}

/** One part of several owners: what they have there now, and how it is changed in all of them. */
interface PartInHand<V> {
  /** Its values in those that have it; `without` stands in for those that could have it and do not. */
  readonly values: readonly V[];
  /** One of those that have it. */
  readonly first: Keyed | undefined;
  /** Changes it in each from what it was; quick changes of one part are one step of undo. */
  readonly change: (to: (now: V) => V) => void;
}

const parentOf = (part: KeyedPart): KeyedPart => part.slice(0, Math.max(0, part.lastIndexOf('.')));

/** Takes a part of all owners in hand. Those that lack even what it would belong to are left alone. */
export function usePart<V>(part: KeyedPart, without: V, alsoParts: readonly KeyedPart[] = []): PartInHand<V> {
  const { ids, prepare } = useContext(OwnersContext);
  const piece = useCalm((s) => s.piece);
  const all = ids.flatMap((id) => keyedById(piece, id) ?? []);
  const having = all.filter(
    (keyed) => prepare !== undefined || partOf(keyed, parentOf(part)) !== undefined || !part.includes('.'),
  );
  return {
    values: having.map((keyed) => (partOf(keyed, part) as V | undefined) ?? without),
    first: having[0],
    change: (to) =>
      edit(
        (p) =>
          updateKeyed(prepare ? prepare(p) : p, ids, (keyed) =>
            [part, ...alsoParts].reduce((result, one) => {
              const now = (partOf(result, one) as V | undefined) ?? without;
              return withPart(result, one, to(now) as AnyAnimated);
            }, keyed),
          ),
        `${part} ${ids.join()}`,
      ),
  };
}
