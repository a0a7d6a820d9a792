import type { Matrix } from '../../geometry';
import { clamp } from '../../numbers';
import { isKeyed, mapValues, type Animated } from '../../timing';
import { kindOf } from '../kinds';
import { greatest, partOf, propertyOf, updateLayers, withPart, type KeyedPart } from '../parts';
import {
  cutName,
  lettersOf,
  LIMITS,
  strokeById,
  type ArtGroup,
  type ArtShape,
  type Field,
  type Layer,
  type Lettering,
  type Piece,
} from '../schema';
import { toCount } from '../settle';

/** The parts of a layer's effects that are colours. */
function effectColours(layer: Layer): KeyedPart[] {
  const under = (value: unknown, way: string): KeyedPart[] => {
    if (propertyOf(layer, way)?.kind === 'colour') return [way];
    if (typeof value !== 'object' || value === null) return [];
    return Object.entries(value).flatMap(([step, inner]) => under(inner, `${way}.${step}`));
  };
  return under(layer.effects ?? [], 'effects');
}

/** The fields of a piece as far as they fill some of its layers. */
export const fieldsAmong = (piece: Piece, ids: readonly string[]): Field[] =>
  piece.fields.flatMap((field) => {
    const of = field.of.filter((id) => ids.includes(id));
    return of.length > 0 ? [{ ...field, of }] : [];
  });

/** Fields that offer themselves for some layers: a text for each lettering, a face and a colour for each that is used. */
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
  const faces = new Map<string, string[]>();
  for (const { id, setting } of lettersOf({ layers }))
    faces.set(setting.face.id, [...(faces.get(setting.face.id) ?? []), id]);
  const set = [...faces].map(([, of], i): Field => ({ name: `Face ${i + 1}`, kind: 'face', of }));
  const named = [...colours].map(([, of], i): Field => ({ name: `Colour ${i + 1}`, kind: 'colour', of }));
  const ofEffects = layers.flatMap((layer) =>
    effectColours(layer).map((part): Field => ({
      name: cutName(`${layer.name}, ${propertyOf(layer, part)!.fullName}`),
      kind: 'colour',
      of: [layer.id],
      part,
    })),
  );
  return [...inOrder, ...set, ...named, ...ofEffects].slice(0, LIMITS.fields);
}

/** What a field fills: fields that fill the same thing have the same. */
const filledBy = ({ kind, of, part = '' }: Field): string => [kind, part, ...of].join(' ');

/** A piece with the fields that offer themselves for some layers, beside those it has. */
export function withFieldsOf(piece: Piece, ids: readonly string[]): Piece {
  const known = new Set(piece.fields.map(filledBy));
  const added = offeredFields(piece, ids).filter((field) => !known.has(filledBy(field)));
  return { ...piece, fields: [...piece.fields, ...added].slice(0, LIMITS.fields) };
}

/** A piece with parts of one of its fields changed. */
export const changeField = (piece: Piece, index: number, part: Partial<Field>): Piece => ({
  ...piece,
  fields: piece.fields.map((field, i) => (i === index ? { ...field, ...part } : field)),
});

/** A piece without one of its fields; what the field fills stays. */
export const removeField = (piece: Piece, index: number): Piece => ({
  ...piece,
  fields: piece.fields.filter((_, i) => i !== index),
});

/** What a field holds now, as its first layer has it; null where all its layers are gone. */
export function fieldValue(piece: Piece, field: Field): string | number | null {
  for (const id of field.of) {
    const layer = piece.layers.find((one) => one.id === id);
    if (!layer) continue;
    const held = field.kind === 'colour' ? colourOf(layer, field) : kindOf(layer).held(layer, field.kind);
    if (held !== null || field.kind === 'colour') return held;
  }
  return null;
}

/** Whether a field's part is a colour of a layer. */
const hasColour = (layer: Layer, part: KeyedPart): boolean =>
  propertyOf(layer, part)?.kind === 'colour' && partOf(layer, part) !== undefined;

/** The colour of a layer that a field fills: its own, or that of the part the field names; where it is keyed, that of its first key. */
function colourOf(layer: Layer, { part }: Field): string | null {
  if (part === undefined) return kindOf(layer).ownColour(layer);
  if (!hasColour(layer, part)) return null;
  const colour = partOf(layer, part) as Animated<string>;
  return isKeyed(colour) ? colour.keys[0]!.value : colour;
}

/** Fills a field of colour. */
export const fillColour = (piece: Piece, { of, part }: Field, colour: string): Piece =>
  updateLayers(piece, of, (layer) => {
    if (part === undefined) return kindOf(layer).recoloured(layer, colour);
    return hasColour(layer, part) ? withPart(layer, part, colour) : layer;
  });

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
  const share = (value: Animated): Animated => mapValues(grown(value), (v) => clamp(v, 0, 1));
  const texts = lettersOf(piece).filter(({ id }) => field.of.includes(id));
  // A number that goes with a stroke is filled by way of it.
  const led = texts.flatMap(({ count }) => count?.follows?.to ?? []);
  const filled = updateLayers(piece, [...new Set([...field.of, ...led])], (layer) =>
    kindOf(layer).grown(layer, grown, share),
  );
  return updateLayers(filled, field.of, (layer) => {
    const follows = layer.type === 'lettering' && layer.count?.follows;
    const stroke = follows && strokeById(filled, follows.to);
    if (!stroke) return layer;
    const head = greatest(stroke.window.head);
    const all = head > 0 ? follows.none + (to - follows.none) / head : follows.all;
    return {
      ...layer,
      count: { ...layer.count!, follows: { ...follows, all: toCount(all) } },
    };
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

/** The text layers that a field of text or of a face fills. */
export const textsOf = (piece: Piece, field: Field): Lettering[] =>
  lettersOf(piece).filter((text) => field.of.includes(text.id));
