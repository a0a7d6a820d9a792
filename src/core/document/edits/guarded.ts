import { changed, groupOf, sameValue, updateLayers } from '../parts';
import {
  partWithId,
  type Layer,
  type Lettering,
  type Piece,
  type Stroke,
  type TiedProperty,
} from '../schema';
import { settlePiece } from '../settle';
import { setFitted } from './fit';
import { setLine } from './groups';
import { cutTies, tieCounts } from './ties';

/** A part of a document that an edit could not change: why, and the edit that would let it be changed. */
export interface Held {
  readonly id: string;
  readonly words: string;
  readonly wayOut: { readonly name: string; readonly edit: (piece: Piece) => Piece };
}

/** A change carried out as far as it can be, all that follows something having followed. */
export interface Guarded {
  readonly piece: Piece;
  readonly held: readonly Held[];
}

/** What may be changed of a locked layer: how it is listed, not how it looks. */
const LISTED = new Set<string>(['hidden', 'locked', 'name', 'group']);

const looksOtherwise = (before: Layer, now: Layer): boolean => {
  const [a, b] = [before, now] as unknown as Record<string, unknown>[];
  return [...new Set([...Object.keys(a!), ...Object.keys(b!)])].some(
    (part) => !LISTED.has(part) && a![part] !== b![part] && !sameValue(a![part], b![part]),
  );
};

/** Locked layers as they were, where an edit changed how they look or took them away. */
function withLocksKept(before: Piece, now: Piece): Guarded {
  const held: Held[] = [];
  const hold = (layer: Layer): void => {
    held.push({
      id: layer.id,
      words: `“${layer.name}” is locked: it was left as it is.`,
      wayOut: {
        name: 'Unlock it',
        edit: (piece) => updateLayers(piece, [layer.id], (one) => ({ ...one, locked: false })),
      },
    });
  };
  const known = new Map(before.layers.map((layer) => [layer.id, layer]));
  const there = new Set(now.layers.map((layer) => layer.id));
  let layers = now.layers.map((layer): Layer => {
    const old = known.get(layer.id);
    if (!old?.locked || old === layer || !looksOtherwise(old, layer)) return layer;
    hold(old);
    const { hidden, locked, name, group } = layer;
    return changed<Layer>(old, { hidden, locked, name, group });
  });
  const gone = before.layers.filter((layer) => layer.locked && !there.has(layer.id));
  for (const layer of gone) {
    hold(layer);
    const at = before.layers.findIndex((one) => one.id === layer.id);
    layers = [...layers.slice(0, at), layer, ...layers.slice(at)];
  }
  return { piece: held.length > 0 ? { ...now, layers } : now, held };
}

const INK: readonly (readonly [part: 'width' | 'colour' | 'dashes', tie: TiedProperty])[] = [
  ['width', 'width'],
  ['colour', 'colour'],
  ['dashes', 'dashes'],
];

/** Whether what was changed is again what it was. */
const lost = (a: unknown, b: unknown, c: unknown): boolean => a !== b && !sameValue(a, b) && sameValue(a, c);
const named = (piece: Piece, id: string): string => partWithId(piece, id)?.name ?? 'another';

/** Why the number of a text is again what it was, though it was changed. */
function countedBack(piece: Piece, before: Lettering, asked: Lettering, now: Lettering): Held | null {
  const follows = now.count?.follows;
  if (!follows || !lost(before.count?.value, asked.count?.value, now.count?.value)) return null;
  return {
    id: now.id,
    words: `The number of “${now.name}” goes with the head of “${named(piece, follows.to)}”: it was left as it is.`,
    wayOut: { name: 'Detach', edit: (p) => tieCounts(p, [now.id], null) },
  };
}

/** Why something of a stroke is again what it was, though it was changed. */
function followedBack(piece: Piece, before: Stroke, asked: Stroke, now: Stroke): Held | null {
  const tied = (property: TiedProperty) => now.ties?.find((tie) => tie.property === property);
  const byTie = (property: TiedProperty, to: string): Held => ({
    id: now.id,
    words: `The ${property} of “${now.name}” follows “${named(piece, to)}”: it was left as it is.`,
    wayOut: { name: 'Detach', edit: (p) => cutTies(p, [now.id], property) },
  });
  if (lost(before.path, asked.path, now.path)) {
    const tie = tied('path');
    if (tie) return byTie('path', tie.to);
    if (now.fitted)
      return {
        id: now.id,
        words: `The path of “${now.name}” keeps to “${named(piece, now.fitted.to)}”: it was left as it is.`,
        wayOut: { name: 'Detach', edit: (p) => setFitted(p, [now.id], () => null) },
      };
  }
  for (const [part, property] of INK) {
    const tie = tied(property);
    if (tie && lost(before.ink[part], asked.ink[part], now.ink[part])) return byTie(property, tie.to);
  }
  const group = groupOf(piece, now);
  if (group?.line && lost(before.window, asked.window, now.window))
    return {
      id: now.id,
      words: `“${now.name}” is timed with its group “${group.name}”: it was left as it is.`,
      wayOut: { name: 'Time each by itself', edit: (p) => setLine(p, group.id, null) },
    };
  return null;
}

/** Carries a change of a piece out: locked layers stay as they are, what follows something follows it, and what that undoes is told. */
export function guarded(before: Piece, change: (piece: Piece) => Piece): Guarded {
  const asked = change(before);
  if (asked === before) return { piece: before, held: [] };
  const locks = withLocksKept(before, asked);
  const piece = settlePiece(before, locks.piece);
  const old = new Map(before.layers.map((layer) => [layer.id, layer]));
  const now = new Map(piece.layers.map((layer) => [layer.id, layer]));
  const back = locks.piece.layers.flatMap((layer): Held | Held[] => {
    const [was, is] = [old.get(layer.id), now.get(layer.id)];
    if (layer.type === 'lettering' && was?.type === 'lettering' && is?.type === 'lettering')
      return countedBack(piece, was, layer, is) ?? [];
    if (layer.type !== 'stroke' || was?.type !== 'stroke' || is?.type !== 'stroke' || was === layer)
      return [];
    return followedBack(piece, was, layer, is) ?? [];
  });
  return { piece, held: [...locks.held, ...back] };
}
