import { kindOf } from '../kinds';
import { LIMITS } from '../limits';
import { cutName } from '../names';
import { compose, scalingAbout, type Matrix } from '../../geometry';
import { mapKnown, scaled } from '../../properties';
import { isKeyed, mapValues, type Animated } from '../../timing';
import { changed } from '../changed';
import type { Field } from '../field-schema';
import { gathered, membersOf } from '../grouped';
import { withIdsRenamed } from '../renamed-ids';
import type { ArtGroup, ArtShape } from '../art-schema';
import { pinSchema } from '../pin-schema';
import { groupSchema, pieceSchema, type Layer, type Lettering, type Piece } from '../schema';
import { settlePiece } from '../settle-piece';
import { changedTogether } from '../traced';
import { allKeyed, shiftKeyed, updateKeyed } from './keys';
import { updateLayers } from './layers';
import { withRate } from './piece-time';
import { setPlace } from './place';
import { scaledLayer } from './placing';

/** A piece whose layers, groups, pins and styles bear other ids, so that it can be put beside itself. */
export function withNewIds(piece: Piece, newId: () => string): Piece {
  const all = [...piece.layers, ...piece.groups, ...piece.pins, ...piece.styles];
  const names = new Map(all.map(({ id }) => [id, newId()]));
  return withIdsRenamed(pieceSchema, piece, names);
}

/** A piece scaled as a whole to fill another size as far as it fits, in its middle. */
function scaledTo(piece: Piece, size: Piece['size']): Piece {
  const factor = Math.min(size.width / piece.size.width, size.height / piece.size.height);
  const origin = { x: 0, y: 0 };
  const by = {
    x: (size.width - piece.size.width * factor) / 2,
    y: (size.height - piece.size.height * factor) / 2,
  };
  if (factor === 1 && by.x === 0 && by.y === 0) return { ...piece, size };
  // About the place that the scaling leaves where it is, so that one step scales and moves.
  const about = factor === 1 ? origin : { x: by.x / (1 - factor), y: by.y / (1 - factor) };
  const there = scalingAbout(about, factor);
  const back = scalingAbout(about, 1 / factor);
  // What carries something stood in the picture as it was: now it stands in the scaled one.
  const rested = mapKnown(pieceSchema, piece, ['rest'], (rest) =>
    compose(there, compose(rest as Matrix, back)),
  );
  return {
    ...rested,
    size,
    layers: changedTogether(
      rested,
      rested.layers.map((layer) => layer.id),
      (layer) => scaledLayer(layer, factor, about),
    ).layers,
    groups: rested.groups.map((group) => scaled(groupSchema, group, factor, about)),
    pins: rested.pins.map((pin) => scaled(pinSchema, pin, factor, about)),
  };
}

/**
 * Puts a layout into a piece: all it holds, in a group of its own, sized to the piece, begun at a frame. Its fields join the
 * piece's. An empty piece takes its length and hold as well.
 * @param newId gives ids that none of the piece bears.
 */
export function insertLayout(piece: Piece, layout: Piece, frame: number, newId: () => string): Piece {
  const fresh = withNewIds(layout, newId);
  const sized = scaledTo(withRate(fresh, piece.rate, 'seconds'), piece.size);
  const later = updateKeyed(
    sized,
    allKeyed(sized).map(({ id }) => id),
    (keyed) => shiftKeyed(keyed, frame),
  );
  const group = { id: newId(), name: layout.name };
  const taken = new Set(piece.fields.map((field) => field.name));
  const named = later.fields.map((field): Field => {
    const name = taken.has(field.name) ? cutName(`${layout.name}: ${field.name}`) : field.name;
    return { ...field, name };
  });
  const first = piece.layers.length === 0;
  const joined: Piece = {
    ...piece,
    layers: [
      ...piece.layers,
      ...later.layers.map((layer): Layer => ({
        ...kindOf(layer).retimed(layer, (at) => at + frame, 1),
        group: layer.group ?? group.id,
      })),
    ],
    groups: [
      ...piece.groups,
      group,
      ...later.groups.map((one) => ({ ...one, group: one.group ?? group.id })),
    ],
    pins: [...piece.pins, ...later.pins],
    styles: [...piece.styles, ...later.styles],
    fields: [...piece.fields, ...named].slice(0, LIMITS.fields),
    ...(first && { length: Math.max(1, Math.round(frame + later.length)) }),
    ...(first && later.hold && { hold: { from: later.hold.from + frame, to: later.hold.to + frame } }),
  };
  return settlePiece(piece, joined);
}

/** Some layers of a piece as a layout of their own, with the groups, pins, styles and fields that belong to them. */
export function layoutFrom(piece: Piece, ids: readonly string[], name: string): Piece {
  const layers = piece.layers.filter((layer) => ids.includes(layer.id));
  const groups = piece.groups.filter((group) =>
    membersOf(piece, group.id).every((member) => ids.includes(member.id)),
  );
  const kept = new Set(groups.map((group) => group.id));
  const used = JSON.stringify([layers, groups]);
  return gathered({
    ...changed<Piece>(piece, { workRange: undefined }),
    name,
    layers: layers.map((layer) =>
      layer.group !== undefined && !kept.has(layer.group)
        ? changed<Layer>(layer, { group: undefined })
        : layer,
    ),
    groups: groups.map((group) =>
      group.group !== undefined && !kept.has(group.group)
        ? changed<Piece['groups'][number]>(group, { group: undefined })
        : group,
    ),
    pins: piece.pins.filter((pin) => used.includes(pin.id)),
    styles: piece.styles.filter((style) => used.includes(style.id)),
    underlays: [],
    markers: [],
    guides: [],
    fields: fieldsAmong(piece, ids),
  });
}

/** The fields of a piece as far as they fill some of its layers. */
const fieldsAmong = (piece: Piece, ids: readonly string[]): Field[] =>
  piece.fields.flatMap((field) => {
    const of = field.of.filter((id) => ids.includes(id));
    return of.length > 0 ? [{ ...field, of }] : [];
  });

/** Fields that offer themselves for some layers: a text for each lettering, a colour for each colour that is used. */
export function offeredFields(piece: Piece, ids: readonly string[]): Field[] {
  const layers = piece.layers.filter((layer) => ids.includes(layer.id));
  const whole = layers.flatMap((layer): Field[] =>
    kindOf(layer)
      .fields(layer)
      .map((kind) => ({ name: cutName(layer.name), kind, of: [layer.id] })),
  );
  // Texts first: they are what is filled most.
  const inOrder = (['text', 'number', 'image'] as const).flatMap((kind) =>
    whole.filter((field) => field.kind === kind),
  );
  const colours = new Map<string, string[]>();
  for (const layer of layers) {
    const colour = kindOf(layer).ownColour(layer);
    if (colour) colours.set(colour, [...(colours.get(colour) ?? []), layer.id]);
  }
  const named = [...colours].map(([, of], i): Field => ({ name: `Colour ${i + 1}`, kind: 'colour', of }));
  return [...inOrder, ...named].slice(0, LIMITS.fields);
}

/** The greatest number something keyed reaches. */
const most = (value: Animated): number =>
  isKeyed(value) ? Math.max(...value.keys.map((key) => key.value)) : value;

/** What a field holds now, as its first layer has it; null where all its layers are gone. */
export function fieldValue(piece: Piece, field: Field): string | number | null {
  for (const id of field.of) {
    const layer = piece.layers.find((one) => one.id === id);
    if (!layer) continue;
    if (field.kind === 'text' && layer.type === 'lettering') return layer.setting.text;
    if (field.kind === 'colour') return kindOf(layer).ownColour(layer);
    if (field.kind === 'image') return layer.name;
    if (field.kind === 'number' && layer.type === 'lettering' && layer.count) return most(layer.count.value);
  }
  return null;
}

/** Fills a field of colour. */
export const fillColour = (piece: Piece, field: Field, colour: string): Piece =>
  updateLayers(piece, field.of, (layer) => kindOf(layer).recoloured(layer, colour));

/**
 * Fills a field of a number: counted numbers go to it as they went to the one before, and heads and tails that went along with
 * it go as much further (a full path where the number is 100).
 */
export function fillNumber(piece: Piece, field: Field, to: number): Piece {
  const before = fieldValue(piece, field);
  if (typeof before !== 'number' || before === to) return piece;
  const grown = (value: Animated): Animated =>
    before === 0
      ? mapValues(value, (v) => (v === before ? to : v))
      : mapValues(value, (v) => (v * to) / before);
  const share = (value: Animated): Animated => mapValues(grown(value), (v) => Math.min(1, Math.max(0, v)));
  return updateLayers(piece, field.of, (layer): Layer => {
    if (layer.type === 'lettering' && layer.count)
      return { ...layer, count: { ...layer.count, value: grown(layer.count.value) } };
    if (layer.type !== 'stroke') return layer;
    const { head, tail } = layer.window;
    return { ...layer, window: { ...layer.window, head: share(head), tail: share(tail) } };
  });
}

/** Fills a field of an image with the shapes of another, in the box of what was there. */
export function fillImage(
  piece: Piece,
  field: Field,
  { shapes, groups }: { readonly shapes: readonly ArtShape[]; readonly groups: readonly ArtGroup[] },
  transform: Matrix,
): Piece {
  return updateLayers(piece, field.of, (layer) =>
    layer.type === 'art' ? { ...layer, shapes, groups, transform } : layer,
  );
}

/** The text layers that a field of text fills. */
export const textsOf = (piece: Piece, field: Field): Lettering[] =>
  piece.layers.filter(
    (layer): layer is Lettering => layer.type === 'lettering' && field.of.includes(layer.id),
  );

/** Where an accent is put: about a place of the picture, so much larger than it was made for. */
export interface AccentPlace {
  readonly x: number;
  readonly y: number;
  readonly scale: number;
}

/**
 * Puts an accent into a piece at a frame: an ordinary group, made for the middle of its own picture, of which that lies at a
 * place here. Answers with the piece and the group.
 */
export function insertAccent(
  piece: Piece,
  accent: Piece,
  frame: number,
  { x, y, scale }: AccentPlace,
  newId: () => string,
): { readonly piece: Piece; readonly group: string } {
  const put = insertLayout(piece, accent, frame, newId);
  const there = new Set(piece.groups.map((group) => group.id));
  const made = put.groups.filter((group) => !there.has(group.id));
  const { id } = made.find((group) => !made.some((other) => other.id === group.group))!;
  const [cx, cy] = [piece.size.width / 2, piece.size.height / 2];
  const placed = setPlace(put, id, 0, {
    pivotX: cx,
    pivotY: cy,
    x: x - cx,
    y: y - cy,
    scaleX: scale,
    scaleY: scale,
  });
  // The piece's own length, hold and fields are none of an accent's business.
  const { length, fields } = piece;
  return { piece: changed<Piece>(placed, { length, fields, hold: piece.hold }), group: id };
}
