import {
  groupOf,
  membersOf,
  revealersOf,
  type Art,
  type Group,
  type Layer,
  type Lettering,
  type Piece,
  type Reveal,
  type Stroke,
} from '../document';
import { commandsOf, compose, transformCommands, type PathCommand } from '../geometry';
import { partItems } from './art-items';
import type { DrawItem } from './draw-list';
import { letterOutlines } from './letter-outlines';
import { ownersOf } from './owners';

type Items = readonly DrawItem[];

/** Layers that are only looked through: those that something is seen through without being seen themselves. */
export function lookedThrough(piece: Pick<Piece, 'layers' | 'groups'>): Set<string> {
  const hidden = new Set<string>();
  for (const one of [...piece.layers, ...piece.groups]) {
    if (!one.reveal || one.reveal.shown) continue;
    for (const layer of layersThrough(piece, one.reveal)) hidden.add(layer.id);
  }
  return hidden;
}

const seen = new WeakMap<Layer, Layer>();

/** A layer as it is looked through: hidden or not it does its work there. */
export function unhidden<L extends Layer>(layer: L): L {
  if (!layer.hidden) return layer;
  let shown = seen.get(layer);
  if (!shown) seen.set(layer, (shown = { ...layer, hidden: false }));
  return shown as L;
}

/** The outlines that art or lettering is made of, in piece pixels: letter by letter, or shape by shape. */
export function partOutlines(layer: Art | Lettering): readonly (readonly PathCommand[])[] {
  let outlines = parts.get(layer);
  if (!outlines) {
    outlines =
      layer.type === 'lettering'
        ? letterOutlines(layer)
        : layer.shapes.map((shape) =>
            transformCommands(commandsOf(shape.data), compose(layer.transform, shape.transform)),
          );
    parts.set(layer, outlines);
  }
  return outlines;
}
const parts = new WeakMap<Layer, readonly (readonly PathCommand[])[]>();

interface Known {
  readonly from: readonly unknown[];
  readonly items: Items;
}
const made = new WeakMap<object, Known>();

/** The same items again while all they are made from is the same. */
function kept(of: object, from: readonly unknown[], make: () => Items): Items {
  const known = made.get(of);
  if (known && known.from.length === from.length && known.from.every((one, i) => one === from[i]))
    return known.items;
  const items = make();
  made.set(of, { from, items });
  return items;
}

/** Items as something that others are seen through. */
function matte(items: Items, { by, inverted, feather }: Reveal): DrawItem {
  const operator = inverted ? ('erase' as const) : ('keep' as const);
  const [only] = items;
  // One shape alone needs no canvas of its own.
  if (items.length === 1 && only!.kind !== 'group' && by === 'shape' && feather === 0)
    return { ...only!, operator };
  return {
    kind: 'group',
    items,
    opacity: 1,
    operator,
    ...(by === 'brightness' && { alphaFrom: 'brightness' as const }),
    ...(feather > 0 && { blur: feather / 2 }),
  };
}

const through = (items: Items, mattes: Items, reveal: Reveal): Items =>
  items.length === 0 || (mattes.length === 0 && !reveal.inverted)
    ? []
    : [{ kind: 'group', items: mattes.length > 0 ? [...items, matte(mattes, reveal)] : items, opacity: 1 }];

const owners = new WeakMap<
  object,
  { readonly strokes: readonly Stroke[]; readonly of: readonly (readonly number[])[] }
>();

/** For each letter or shape, which of some strokes run along it. */
export function ownersIn(layer: Art | Lettering, strokes: readonly Stroke[]): readonly (readonly number[])[] {
  const known = owners.get(layer);
  const same =
    known?.strokes.length === strokes.length && known.strokes.every((s, i) => s.path === strokes[i]!.path);
  if (known && same) return known.of;
  const of = ownersOf(
    partOutlines(layer),
    strokes.map((stroke) => stroke.path),
  );
  owners.set(layer, { strokes, of });
  return of;
}

/** The layers that something is seen through, members of groups among them. */
const layersThrough = (piece: Pick<Piece, 'layers' | 'groups'>, reveal: Reveal): Layer[] =>
  revealersOf(piece, reveal).flatMap((one): Layer[] => ('type' in one ? [one] : membersOf(piece, one.id)));

/** The strokes among them. */
export const strokesThrough = (piece: Pick<Piece, 'layers' | 'groups'>, reveal: Reveal): Stroke[] =>
  layersThrough(piece, reveal).filter((layer): layer is Stroke => layer.type === 'stroke');

/**
 * What a piece shows where some of it is seen through others. Chains are followed to their end; the schema keeps out
 * circles.
 * @param own what a layer shows by itself; the same items while nothing of it changes.
 */
export function revealedItems(piece: Piece, own: (layer: Layer) => Items): Items {
  const onlyThrough = lookedThrough(piece);
  const matteOf = (one: Layer | Group): Items =>
    'type' in one ? layerItems(unhidden(one)) : groupItems(one, membersOf(piece, one.id).map(unhidden));
  const layerItems = (layer: Layer): Items => {
    const { reveal } = layer;
    const base = own(layer);
    if (!reveal) return base;
    const revealers = revealersOf(piece, reveal);
    // What all is gone that it was seen through is seen as it is.
    if (revealers.length === 0) return base;
    if (reveal.confined && layer.type !== 'stroke' && strokesThrough(piece, reveal).length > 0)
      return confined(layer, base, reveal);
    const mattes = revealers.map(matteOf);
    return kept(layer, [base, reveal, ...mattes], () => through(base, mattes.flat(), reveal));
  };
  /** Letter by letter, each only through the strokes that run along it; what is no stroke uncovers all of them. */
  const confined = (layer: Art | Lettering, base: Items, reveal: Reveal): Items => {
    const strokes = strokesThrough(piece, reveal);
    const mattes = strokes.map(matteOf);
    const others = layersThrough(piece, reveal)
      .filter((one) => one.type !== 'stroke')
      .map(matteOf);
    return kept(layer, [base, reveal, ...mattes, ...others], () => {
      const of = ownersIn(layer, strokes);
      return partItems(layer).flatMap((items, i) => {
        const own = of[i]!.flatMap((k) => mattes[k]!);
        return through(items, [...own, ...others.flat()], reveal);
      });
    });
  };
  const groupItems = (group: Group, members: readonly Layer[]): Items => {
    const own = members.map(layerItems);
    const { reveal } = group;
    const mattes = reveal ? revealersOf(piece, reveal).map(matteOf) : [];
    return kept(group, [reveal, own.length, ...own, ...mattes], () =>
      reveal && mattes.length > 0 ? through(own.flat(), mattes.flat(), reveal) : own.flat(),
    );
  };
  const done = new Set<string>();
  return piece.layers.flatMap((layer): Items => {
    const group = groupOf(piece, layer);
    if (!group) return onlyThrough.has(layer.id) ? [] : layerItems(layer);
    if (done.has(group.id)) return [];
    done.add(group.id);
    const members = membersOf(piece, group.id).filter((member) => !onlyThrough.has(member.id));
    return groupItems(group, members);
  });
}
