import { applyMatrix, compose, type Matrix } from '../../geometry';
import { isKeyed, valueAt, type Animated } from '../../timing';
import { changed, groupOf } from '../parts';
import {
  placementMatrix,
  type Group,
  type Part,
  type Piece,
  type Placement,
  type PlacementPart,
} from '../schema';

/** A group taken apart, and in words what of it could not be handed on as it was. */
interface TakenApart {
  readonly piece: Piece;
  readonly lost: readonly string[];
}

const PARTS: readonly PlacementPart[] = [
  'x',
  'y',
  'scaleX',
  'scaleY',
  'rotation',
  'skewX',
  'skewY',
  'pivotX',
  'pivotY',
];

const stands = (place: Placement): boolean =>
  !place.parent && !place.rider && PARTS.every((part) => !isKeyed(place[part]));

/** The placement about a pivot that does what a map does (a turn, then a slant, then two scales: its QR decomposition). */
export function placementFrom(m: Matrix, pivot: { x: number; y: number }, opacity: Animated): Placement {
  const scaleX = Math.hypot(m[0], m[1]);
  const rotation = Math.atan2(m[1], m[0]);
  const [cos, sin] = [Math.cos(rotation), Math.sin(rotation)];
  const scaleY = -sin * m[2] + cos * m[3];
  const slant = scaleY === 0 ? 0 : Math.atan((cos * m[2] + sin * m[3]) / scaleY);
  const to = applyMatrix(m, pivot);
  return {
    x: to.x - pivot.x,
    y: to.y - pivot.y,
    scaleX,
    scaleY,
    rotation,
    skewX: slant,
    skewY: 0,
    pivotX: pivot.x,
    pivotY: pivot.y,
    opacity,
  };
}

/** Two opacities, one within the other; null where both are keyed. */
function both(outer: Animated, inner: Animated): Animated | null {
  if (!isKeyed(outer)) return scaledBy(inner, outer);
  return isKeyed(inner) ? null : scaledBy(outer, inner);
}

const scaledBy = (value: Animated, by: number): Animated =>
  isKeyed(value)
    ? { ...value, keys: value.keys.map((key) => ({ ...key, value: key.value * by })) }
    : value * by;

/**
 * Takes one group apart: its layers and the groups in it come to lie where it lay, and look as they did. Its placement, keys
 * and parent among them, its masks, blend and what it is seen through are handed on; what was seen through it or carried by
 * it follows its members.
 * @param frame where what can't be handed on in motion stays as it stands.
 */
export function takeApart(piece: Piece, id: string, frame: number): TakenApart {
  const group = piece.groups.find((one) => one.id === id);
  if (!group) return { piece, lost: [] };
  const lost = new Set<string>();
  const members = [...piece.layers, ...piece.groups].filter((one) => one.group === id);
  // One that has no placement of its own takes the group's over, keys and all, and can carry the others.
  const carrier = members.find((one) => !one.place);
  const several = members.length > 1;

  const placed = (one: Part): Placement | undefined => {
    const outer = group.place;
    const own = one.place;
    if (!outer || !own) return own ?? outer;
    // A parent of its own takes the group's place already; only how strong it is comes from the group.
    const opacity = both(outer.opacity, own.opacity);
    if (!opacity) lost.add('how it fades, where its layers fade by themselves');
    const strong = opacity ?? own.opacity;
    if (own.parent || own.rider) return { ...own, opacity: strong };
    const pivot = { x: valueAt(own.pivotX, frame), y: valueAt(own.pivotY, frame) };
    if (stands(outer) && stands(own))
      return placementFrom(
        compose(placementMatrix(outer, frame), placementMatrix(own, frame)),
        pivot,
        strong,
      );
    // Carried by one that moves as the group did, from where nothing has moved: the same product at every frame.
    if (carrier) return { ...own, opacity: strong, parent: { to: carrier.id, rest: [1, 0, 0, 1, 0, 0] } };
    lost.add(`its movement, where its layers move by themselves (they stay as they stand at frame ${frame})`);
    return placementFrom(compose(placementMatrix(outer, frame), placementMatrix(own, frame)), pivot, strong);
  };

  if (several && group.place && group.place.opacity !== 1)
    lost.add('that it fades as one, where its layers overlap');
  if (several && group.blend) lost.add('that it blends as one, where its layers overlap');

  const out = <P extends Part>(one: P): P => {
    const now = handedOn(one, group);
    if (one.group !== id) return now;
    const place = placed(one);
    const masks = group.masks && !one.masks && !one.place ? group.masks : one.masks;
    if (group.masks && masks !== group.masks)
      lost.add('its masks, where its layers have masks or places of their own');
    if (group.effects && several) lost.add('its effects, which are done to all of it as one');
    const effects = several || !group.effects ? one.effects : [...(one.effects ?? []), ...group.effects];
    const reveal = one.reveal ?? group.reveal;
    if (group.reveal && one.reveal)
      lost.add('what it is seen through, where its layers are seen through something');
    return changed<P>(now, {
      group: groupOf(piece, group)?.id,
      place: place && carriedOn(place, group, carrier),
      masks,
      reveal,
      effects,
      blend: one.blend ?? group.blend,
    } as Partial<P>);
  };
  const ids = members.map((one) => one.id);
  const through = <P extends Part>(one: P): P =>
    one.reveal?.through.includes(id)
      ? {
          ...one,
          reveal: {
            ...one.reveal,
            through: [...new Set(one.reveal.through.flatMap((to) => (to === id ? ids : [to])))],
          },
        }
      : one;
  return {
    piece: {
      ...piece,
      groups: piece.groups.filter((one) => one.id !== id).map((one) => through(out(one))),
      layers: piece.layers.map((one) => through(out(one))),
    },
    lost: [...lost],
  };

  /** What was carried by the group is carried by the member that moves as it did. */
  function handedOn<P extends Part>(one: P, of: Group): P {
    return one.place?.parent?.to === of.id && one.group !== of.id
      ? { ...one, place: carriedOn(one.place, of, carrier) }
      : one;
  }
}

function carriedOn(place: Placement, group: Group, carrier: Part | undefined): Placement {
  if (place.parent?.to !== group.id || !carrier) return place;
  return { ...place, parent: { ...place.parent, to: carrier.id } };
}

/** Takes groups apart, the inner ones of those given first; what can't be handed on stays as it stands at the frame. */
export function ungroup(piece: Piece, ids: readonly string[], frame = 0): Piece {
  return [...ids]
    .sort((a, b) => depthOf(piece, b) - depthOf(piece, a))
    .reduce((result, id) => takeApart(result, id, frame).piece, piece);
}

function depthOf(piece: Piece, id: string): number {
  let depth = 0;
  for (let at = piece.groups.find((group) => group.id === id); at; at = groupOf(piece, at)) depth++;
  return depth;
}
