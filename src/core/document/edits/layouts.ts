import { isKeyed, mapValues, type Animated } from '../../timing';
import { changed } from '../changed';
import { COUNT_SIGN } from '../count-schema';
import type { Field } from '../field-schema';
import { gathered, membersOf } from '../grouped';
import { LIMITS, type ArtShape, type Layer, type Lettering, type Piece } from '../schema';
import { settlePiece } from '../settle-piece';
import { allKeyed, shiftKeyed, updateKeyed } from './keys';
import { updateLayers } from './layers';
import { withRate } from './piece-time';
import { scaledLayer } from './placing';
import { withScaledParts } from './scaled-parts';

/** Where ids stand in a document by the names of the parts that hold them. */
const ID_PARTS = new Set(['id', 'group', 'to', 'line', 'style']);
const ID_LISTS = new Set(['through', 'of']);

/** A value in which every id that was given another is replaced by it. */
function renamed(value: unknown, names: ReadonlyMap<string, string>, part = ''): unknown {
  if (typeof value === 'string') return ID_PARTS.has(part) ? (names.get(value) ?? value) : value;
  if (Array.isArray(value))
    return value.map((one: unknown) =>
      typeof one === 'string' && ID_LISTS.has(part) ? (names.get(one) ?? one) : renamed(one, names, ''),
    );
  if (typeof value !== 'object' || value === null) return value;
  // A face is named by what looks like an id, and a nested piece keeps its own.
  if (part === 'face' || part === 'content') return value;
  if (part === 'traced') {
    const { from } = value as { readonly from: string };
    return { ...value, from: names.get(from) ?? from };
  }
  return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, renamed(inner, names, key)]));
}

/** A piece whose layers, groups, pins and styles bear other ids, so that it can be put beside itself. */
export function withNewIds(piece: Piece, newId: () => string): Piece {
  const all = [...piece.layers, ...piece.groups, ...piece.pins, ...piece.styles];
  const names = new Map(all.map(({ id }) => [id, newId()]));
  return renamed(piece, names) as Piece;
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
  return {
    ...piece,
    size,
    layers: piece.layers.map((layer) => scaledLayer(layer, factor, about)),
    groups: piece.groups.map((group) => withScaledParts(group, factor, about)),
    pins: piece.pins.map((pin) => ({
      ...pin,
      x: mapValues(pin.x, (x) => about.x + (x - about.x) * factor),
      y: mapValues(pin.y, (y) => about.y + (y - about.y) * factor),
    })),
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
    const name = taken.has(field.name) ? `${layout.name}: ${field.name}`.slice(0, 120) : field.name;
    return { ...field, name };
  });
  const first = piece.layers.length === 0;
  const joined: Piece = {
    ...piece,
    layers: [
      ...piece.layers,
      ...later.layers.map((layer): Layer => ({
        ...(layer.type === 'piece' ? { ...layer, start: layer.start + frame } : layer),
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
  const texts = layers.flatMap((layer): Field[] =>
    layer.type === 'lettering' && !layer.setting.text.includes(COUNT_SIGN)
      ? [{ name: layer.name.slice(0, 120), kind: 'text', of: [layer.id] }]
      : [],
  );
  const numbers = layers.flatMap((layer): Field[] =>
    layer.type === 'lettering' && layer.count ? [{ name: layer.name, kind: 'number', of: [layer.id] }] : [],
  );
  const images = layers.flatMap((layer): Field[] =>
    layer.type === 'art' ? [{ name: layer.name, kind: 'image', of: [layer.id] }] : [],
  );
  const colours = new Map<string, string[]>();
  for (const layer of layers) {
    const colour = colourOf(layer);
    if (colour) colours.set(colour, [...(colours.get(colour) ?? []), layer.id]);
  }
  const named = [...colours].map(([, of], i): Field => ({ name: `Colour ${i + 1}`, kind: 'colour', of }));
  return [...texts, ...numbers, ...images, ...named].slice(0, LIMITS.fields);
}

/** The colour of a layer that a field may change; null where it has none, or more than one. */
function colourOf(layer: Layer): string | null {
  if (layer.type === 'lettering') return layer.colour;
  if (layer.type === 'stroke' && !isKeyed(layer.ink.colour)) return layer.ink.colour as string;
  return null;
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
    if (field.kind === 'colour') return colourOf(layer);
    if (field.kind === 'image') return layer.name;
    if (field.kind === 'number' && layer.type === 'lettering' && layer.count) return most(layer.count.value);
  }
  return null;
}

/** A layer with the colour of a field. */
function coloured(layer: Layer, colour: string): Layer {
  if (layer.type === 'lettering') return { ...layer, colour };
  return layer.type === 'stroke' ? { ...layer, ink: { ...layer.ink, colour } } : layer;
}

/** Fills a field of colour. */
export const fillColour = (piece: Piece, field: Field, colour: string): Piece =>
  updateLayers(piece, field.of, (layer) => coloured(layer, colour));

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
  shapes: readonly ArtShape[],
  transform: readonly number[],
): Piece {
  return updateLayers(piece, field.of, (layer) =>
    layer.type === 'art' ? { ...layer, shapes, transform: transform as typeof layer.transform } : layer,
  );
}

/** The text layers that a field of text fills. */
export const textsOf = (piece: Piece, field: Field): Lettering[] =>
  piece.layers.filter(
    (layer): layer is Lettering => layer.type === 'lettering' && field.of.includes(layer.id),
  );
