import {
  changed,
  groupsAround,
  isArtwork,
  keyedParts,
  membersOf,
  partOf,
  revealersOf,
  withinGroup,
  type Artwork,
  type Group,
  type Layer,
  type Mask,
  type Part,
  type Piece,
  type Reveal,
} from '../document';
import { isIdentity } from '../geometry';
import { keysOf, valueAt, type Animated } from '../timing';
import { partItems } from './art-items';
import type { DrawItem } from './draw-list';
import { masked } from './masked';
import { layersThrough, lookedThrough, ownersIn, strokesThrough, through, unhidden } from './reveal';
import { transformed } from './transformed';

type Items = readonly DrawItem[];

interface Known {
  readonly from: readonly unknown[];
  readonly items: Items;
}
const made = new WeakMap<object, Map<string, Known>>();

/** The same items again while all they are made from is the same. */
function kept(of: object, step: string, from: readonly unknown[], make: () => Items): Items {
  let steps = made.get(of);
  if (!steps) made.set(of, (steps = new Map()));
  const known = steps.get(step);
  if (known && known.from.length === from.length && known.from.every((one, i) => one === from[i]))
    return known.items;
  const items = make();
  steps.set(step, { from, items });
  return items;
}

/** What of some masks differs from frame to frame. */
const maskMarks = (masks: readonly Mask[], frame: number): number[] =>
  keyedParts({ masks }).map((part) => {
    const value = partOf({ masks }, part)!;
    const keys = keysOf(value as Animated);
    if (typeof keys[0]!.value === 'number') return valueAt(value as Animated, frame);
    // Shapes stand still before the first and after the last of their keys.
    return Math.min(keys.at(-1)!.frame, Math.max(keys[0]!.frame, frame));
  });

/** Items in their group's coordinates: what masks leave of them, put where they are placed. */
function dressed(piece: Piece, one: Part, items: Items, frame: number): Items {
  if (items.length === 0) return items;
  const { masks } = one;
  const left =
    masks && masks.length > 0
      ? kept(one, 'masked', [items, ...maskMarks(masks, frame)], () => masked(items, masks, frame))
      : items;
  if (!one.place) return left;
  const m = withinGroup(piece, one, frame);
  return isIdentity(m)
    ? left
    : kept(one, 'placed', [left, ...m], () => left.map((item) => transformed(item, m)));
}

/** Items as they meet what lies under them: as strong as their placement says, blended. */
function laid(one: Part, items: Items, frame: number): Items {
  const opacity = one.place ? valueAt(one.place.opacity, frame) : 1;
  const { blend } = one;
  if (items.length === 0 || (opacity === 1 && !blend)) return items;
  if (opacity <= 0) return [];
  return kept(one, 'laid', [items, opacity], () => {
    const [only] = items;
    const single = items.length === 1 && !only!.operator && !only!.blend;
    if (single) return [{ ...only!, opacity: only!.opacity * opacity, ...(blend && { blend }) }];
    return [{ kind: 'group', items, opacity, ...(blend && { blend }) }];
  });
}

/**
 * Items of which some cut out what lies under them and are cut out by it: Porter and Duff's xor as the sum of what each leaves
 * of the other, since canvases round an xor of their own differently.
 */
function knockedOut(items: Items): Items {
  const left = items.reduce<DrawItem[]>((below, item) => {
    if (item.blend !== 'xor') return [...below, item];
    const top = changed<typeof item>(item, { blend: undefined });
    if (below.length === 0) return [top];
    return [
      { kind: 'group', items: [...below, { ...top, operator: 'erase' }], opacity: 1 },
      {
        kind: 'group',
        items: [top, { kind: 'group', items: below, opacity: 1, operator: 'erase' }],
        opacity: 1,
        operator: 'add',
      },
    ];
  }, []);
  return [{ kind: 'group', items: left, opacity: 1 }];
}

/**
 * What a piece shows where layers and groups are masked, placed, blended and seen through others. Chains are followed to
 * their end; the schema keeps out circles.
 * @param own what a layer shows by itself; the same items while nothing of it changes.
 */
export function composedItems(piece: Piece, frame: number, own: (layer: Layer) => Items): Items {
  const plain = [...piece.layers, ...piece.groups].every(
    (one) => !one.reveal && !one.place && !one.masks && !one.blend,
  );
  if (plain) return piece.layers.flatMap(own);
  const onlyThrough = lookedThrough(piece);
  const matteOf = (one: Layer | Group): Items =>
    'type' in one
      ? layerItems(unhidden(one))
      : groupItems(one, membersOf(piece, one.id).map(unhidden), 'matte');
  const layerItems = (layer: Layer): Items => {
    const { reveal } = layer;
    const base = dressed(piece, layer, own(layer), frame);
    return laid(layer, reveal ? seen(layer, base, reveal) : base, frame);
  };
  const seen = (layer: Layer, base: Items, reveal: Reveal): Items => {
    const revealers = revealersOf(piece, reveal);
    // What all is gone that it was seen through is seen as it is.
    if (revealers.length === 0) return base;
    const apart = isArtwork(layer) && !(layer.type === 'lettering' && (layer.arrival || layer.count));
    if (reveal.confined && apart && strokesThrough(piece, reveal).length > 0)
      return confined(layer, base, reveal);
    const mattes = revealers.map(matteOf);
    return kept(layer, 'seen', [base, ...mattes], () => through(base, mattes.flat(), reveal));
  };
  /** Letter by letter, each only through the strokes that run along it; what is no stroke uncovers all of them. */
  const confined = (layer: Artwork, base: Items, reveal: Reveal): Items => {
    const strokes = strokesThrough(piece, reveal);
    const mattes = strokes.map(matteOf);
    const others = layersThrough(piece, reveal)
      .filter((one) => one.type !== 'stroke')
      .map(matteOf);
    return kept(layer, 'seen', [base, ...mattes, ...others], () => {
      const of = ownersIn(layer, strokes);
      const m = withinGroup(piece, layer, frame);
      return partItems(layer).flatMap((items, i) => {
        const shown = [...of[i]!.flatMap((k) => mattes[k]!), ...others.flat()];
        // A letter whose strokes stand still is the very same item, which painting knows again.
        return kept(items, 'letter', [base, reveal, ...shown], () => {
          const left = layer.masks?.length ? masked(items, layer.masks, frame) : items;
          return through(
            left.map((item) => transformed(item, m)),
            shown,
            reveal,
          );
        });
      });
    });
  };
  const groupItems = (group: Group, members: readonly Layer[], as: string): Items => {
    const inner = itemsOf(members, group, as);
    const children = [...members, ...piece.groups].filter((one) => one.group === group.id);
    // What cuts out what lies under it cuts out no more than its own group.
    const alone = children.some((one) => one.blend === 'xor');
    const all = kept(group, `items ${as}`, [alone, inner.length, ...inner], () =>
      alone ? knockedOut(inner) : inner,
    );
    const base = dressed(piece, group, all, frame);
    const { reveal } = group;
    const mattes = reveal ? revealersOf(piece, reveal).map(matteOf) : [];
    const uncovered =
      reveal && mattes.length > 0
        ? kept(group, `seen ${as}`, [base, ...mattes], () => through(base, mattes.flat(), reveal))
        : base;
    return laid(group, uncovered, frame);
  };
  /** What some layers show that lie within a group (or anywhere): groups among them as a whole. */
  const itemsOf = (layers: readonly Layer[], within: Group | null, as: string): Items => {
    const done = new Set<string>();
    return layers.flatMap((layer): Items => {
      if (as === 'seen' && onlyThrough.has(layer.id)) return [];
      const around = groupsAround(piece, layer);
      const group = around[(within ? around.indexOf(within) : around.length) - 1];
      if (!group) return layerItems(layer);
      if (done.has(group.id)) return [];
      done.add(group.id);
      const own = layers.filter((other) => groupsAround(piece, other).includes(group));
      return groupItems(group, own, as);
    });
  };
  const all = itemsOf(piece.layers, null, 'seen');
  return all.some((item) => item.blend === 'xor')
    ? kept(piece, 'knocked out', all, () => knockedOut(all))
    : all;
}
