import { itemBounds, kept, transformed, type DrawItem } from '../draw';
import {
  changed,
  groupsAround,
  isArtwork,
  membersOf,
  revealersOf,
  windowAt,
  withinGroup,
  type Artwork,
  type Group,
  type Layer,
  type Part,
  type Piece,
  type Reveal,
  type Stroke,
} from '../document';
import { applied, kindOfEffect, type Variant } from '../effects';
import { boundsMeet, commandsBounds, unite, type PathCommand } from '../geometry';
import { partItems } from './art-items';
import { dressed, laid } from './dressed';
import { sameList, samplesOf, type Exposure } from './exposure';
import { knockedOut } from './knocked-out';
import { MASK } from './laid-ink';
import { masked } from './masked';
import {
  heldOutIn,
  layersThrough,
  lookedThrough,
  ownersIn,
  strokesThrough,
  through,
  unhidden,
} from './reveal';
import { subjectOf, varied } from './subject';

type Items = readonly DrawItem[];

/** Whether layers and groups of a piece lie over one another just as they are. */
const isPlain = (piece: Piece): boolean =>
  [...piece.layers, ...piece.groups].every(
    (one) => !one.reveal && !one.place && !one.masks && !one.blend && !one.effects,
  );

/** What a layer shows by itself at a frame; the same items while nothing of it changes. */
export type Own = (layer: Layer, frame: number, variant: Variant | null) => Items;

/** What a part of the picture is made for: to be seen, or to be seen through. */
type As = 'seen' | 'matte';

/** A moment of a piece: its frame, and how strokes are shown otherwise than they are. */
interface When {
  readonly frame: number;
  readonly variant: Variant | null;
  /** Where motion is to be blurred: how, and in how many samples at the most. */
  readonly shutter?: Exposure | null;
}

const keyOf = ({ frame, variant }: When): string =>
  variant ? `${frame} ${variant.width} ${variant.reach}` : String(frame);

/** What a piece shows at the moments that are asked for while one frame of it is made. */
interface Moments {
  readonly piece: Piece;
  readonly own: Own;
  /** Layers that are only looked through. */
  readonly onlyThrough: ReadonlySet<string>;
  /** What was made of one part at one moment while this frame is made. */
  readonly once: (key: string, make: () => Items) => Items;
}

function momentsOf(piece: Piece, own: Own): Moments {
  const done = new Map<string, Items>();
  return {
    piece,
    own,
    onlyThrough: lookedThrough(piece),
    once(key, make) {
      let items = done.get(key);
      if (!items) done.set(key, (items = make()));
      return items;
    },
  };
}

/** What a layer or group is seen through. */
function matteOf(moments: Moments, one: Part, when: When): Items {
  return 'type' in one
    ? layerItems(moments, unhidden(one), when, 'matte')
    : groupItems(moments, one, membersOf(moments.piece, one.id).map(unhidden), when, 'matte');
}

/** A layer placed and uncovered, before its effects. */
function uncoveredLayer(moments: Moments, layer: Layer, when: When, as: As): Items {
  const { piece } = moments;
  const { frame, variant } = when;
  // What others are seen through goes as far as it is told, and stays as wide as it is.
  const shown = variant && as === 'matte' ? { ...variant, width: 1 } : variant;
  const base = dressed(piece, layer, moments.own(layer, frame, shown), frame);
  const { reveal } = layer;
  if (!reveal) return base;
  const revealers = revealersOf(piece, reveal);
  // What all is gone that it was seen through is seen as it is.
  if (revealers.length === 0) return base;
  const apart = isArtwork(layer) && !(layer.type === 'lettering' && (layer.arrival || layer.count));
  if (reveal.confined && apart && strokesThrough(piece, reveal).length > 0)
    return confined(moments, layer, base, reveal, when);
  const mattes = revealers.map((one) => matteOf(moments, one, when));
  return kept(layer, 'uncovered', [base, ...mattes], () => through(base, mattes.flat(), reveal));
}

/** Whether all of a stroke is inked. */
function isWritten(stroke: Stroke, frame: number): boolean {
  const { head, tail } = windowAt(stroke, frame);
  return head - tail >= 1;
}

/** What a stroke uncovers of a letter, less what it must leave to the others that write it. */
function leaving(items: Items, held: readonly PathCommand[]): Items {
  const box = unite(items.map(itemBounds).filter((one) => one !== null));
  if (!box || !boundsMeet(box, commandsBounds(held)!)) return items;
  return kept(held, 'leaving', items, (): Items => [
    {
      kind: 'group',
      items: [...items, { kind: 'fill', path: held, colour: MASK, opacity: 1, operator: 'erase' }],
      opacity: 1,
    },
  ]);
}

/** Letter by letter, each only through the strokes that run along it; what is no stroke uncovers all of them. */
function confined(moments: Moments, layer: Artwork, base: Items, reveal: Reveal, when: When): Items {
  const { piece } = moments;
  const strokes = strokesThrough(piece, reveal);
  const mattes = strokes.map((one) => matteOf(moments, one, when));
  const written = strokes.map((one) => isWritten(one, when.frame));
  const others = layersThrough(piece, reveal)
    .filter((one) => one.type !== 'stroke')
    .map((one) => matteOf(moments, one, when));
  const held = heldOutIn(layer, strokes);
  return kept(layer, 'uncovered', [base, held, ...mattes, ...written, ...others], () => {
    const of = ownersIn(layer, strokes);
    const m = withinGroup(piece, layer, when.frame);
    return partItems(layer).flatMap((items, i) => {
      // A letter that is written needs nothing held out: each of its strokes covers what the others left to it.
      const whole = of[i]!.every((k) => written[k]!);
      const uncovering = of[i]!.flatMap((k, n) => {
        const left = whole ? null : held[i]![n]!;
        return left ? leaving(mattes[k]!, left) : mattes[k]!;
      });
      const shown = [...uncovering, ...others.flat()];
      // A letter whose strokes stand still is the very same item, which painting knows again.
      return kept(items, 'letter', [base, reveal, ...shown], () => {
        const left = layer.masks?.length ? masked(items, layer.masks, when.frame) : items;
        return through(
          left.map((item) => transformed(item, m)),
          shown,
          reveal,
        );
      });
    });
  });
}

/** A group placed and uncovered, before its effects. */
function uncoveredGroup(
  moments: Moments,
  group: Group,
  members: readonly Layer[],
  when: When,
  as: As,
): Items {
  const { piece } = moments;
  const inner = itemsOf(moments, members, group, when, as);
  const children = [...members, ...piece.groups].filter((one) => one.group === group.id);
  // What cuts out what lies under it cuts out no more than its own group.
  const alone = children.some((one) => one.blend === 'xor');
  const all = kept(group, `items ${as}`, [alone, inner.length, ...inner], () =>
    alone ? knockedOut(inner) : inner,
  );
  const base = dressed(piece, group, all, when.frame);
  const { reveal } = group;
  const mattes = reveal ? revealersOf(piece, reveal).map((one) => matteOf(moments, one, when)) : [];
  return reveal && mattes.length > 0
    ? kept(group, `uncovered ${as}`, [base, ...mattes], () => through(base, mattes.flat(), reveal))
    : base;
}

/** What is shown of a part once its effects are done, one after another: `uncovered` is what they are done to, at any moment. */
function effected(moments: Moments, one: Part, when: When, as: As, uncovered: (when: When) => Items): Items {
  const { piece } = moments;
  const effects = (one.effects ?? []).filter(
    (effect) => effect.on && (as === 'seen' || kindOfEffect(effect).touches === 'shape'),
  );
  const after = (done: number, at: When): Items => {
    if (done === 0) return uncovered(at);
    return moments.once(`${one.id} ${as} ${done} ${keyOf(at)}`, () =>
      applied(effects[done - 1]!, {
        ...subjectOf(piece, one, at.frame),
        items: (frame, variant) => after(done - 1, { frame, variant: varied(at.variant, variant) }),
        kept: (from, make) => kept(one, `effect ${done} ${as}`, from, make),
      }),
    );
  };
  return after(effects.length, when);
}

function layerItems(moments: Moments, layer: Layer, when: When, as: As): Items {
  const items = effected(moments, layer, when, as, (at) => uncoveredLayer(moments, layer, at, as));
  return laid(moments.piece, layer, items, when.frame);
}

function groupItems(moments: Moments, group: Group, members: readonly Layer[], when: When, as: As): Items {
  const items = effected(moments, group, when, as, (at) => uncoveredGroup(moments, group, members, at, as));
  return laid(moments.piece, group, items, when.frame);
}

/** Whether a group only holds its layers together. */
const passesThrough = (group: Group): boolean =>
  !group.place && !group.masks && !group.reveal && !group.blend && !group.effects;

/** A part as a shutter sees it that is open for a while; what does not move meanwhile is the very same as without one. */
function exposed(one: Part, when: When, make: (when: When) => Items): Items {
  const { shutter } = when;
  const at = (frame: number): Items => make({ frame, variant: when.variant, shutter: null });
  const now = at(when.frame);
  if (!shutter || one.unblurred) return now;
  const times = samplesOf(shutter, when.frame, at);
  if (times.length === 0) return now;
  const lists = times.map(at);
  if (lists.every((items) => sameList(items, now))) return now;
  const { blend } = one;
  return kept(one, 'exposed', lists, () => [
    {
      kind: 'group',
      moments: true,
      items: lists.map((items) => ({
        kind: 'group',
        items: blend ? items.map(unblended) : items,
        opacity: 1,
      })),
      opacity: 1,
      ...(blend && { blend }),
    },
  ]);
}

/** An item that meets what lies under it plainly. */
const unblended = (item: DrawItem): DrawItem => changed<DrawItem>(item, { blend: undefined });

/** What some layers show that lie within a group (or anywhere): groups among them as a whole. */
function itemsOf(
  moments: Moments,
  layers: readonly Layer[],
  within: Group | null,
  when: When,
  as: As,
): Items {
  const { piece, onlyThrough } = moments;
  const done = new Set<string>();
  return layers.flatMap((layer): Items => {
    if (as === 'seen' && onlyThrough.has(layer.id)) return [];
    const around = groupsAround(piece, layer);
    const group = around[(within ? around.indexOf(within) : around.length) - 1];
    if (!group) return exposed(layer, when, (at) => layerItems(moments, layer, at, as));
    if (done.has(group.id)) return [];
    done.add(group.id);
    const own = layers.filter((other) => groupsAround(piece, other).includes(group));
    const make = (at: When): Items => groupItems(moments, group, own, at, as);
    // Of a group that only holds its layers together, each is blurred by itself: what stands still stays sharp and costs nothing.
    return passesThrough(group) ? make(when) : exposed(group, when, make);
  });
}

/**
 * What a piece shows where layers and groups are masked, placed, blended, seen through others and changed by effects. Chains are
 * followed to their end; the schema keeps out circles.
 * @param shutter how motion is blurred; null where it is not.
 */
export function composedItems(piece: Piece, frame: number, own: Own, shutter: Exposure | null): Items {
  if (isPlain(piece) && !shutter) return piece.layers.flatMap((layer) => own(layer, frame, null));
  const all = itemsOf(momentsOf(piece, own), piece.layers, null, { frame, variant: null, shutter }, 'seen');
  return all.some((item) => item.blend === 'xor')
    ? kept(piece, 'knocked out', all, () => knockedOut(all))
    : all;
}
