import { compose, scalingAbout, unite, type Matrix } from '../../geometry';
import { clamp } from '../../numbers';
import { mapKnown, scaled } from '../../properties';
import { allKeyed, shiftKeyed, updateKeyed } from '../keys';
import { kindOf } from '../kinds';
import { changed, changedTogether, gathered, membersOf } from '../parts';
import { withIdsRenamed } from '../read';
import {
  cutName,
  groupSchema,
  LIMITS,
  pieceSchema,
  pinSchema,
  type Field,
  type Layer,
  type Piece,
} from '../schema';
import { settlePiece } from '../settle';
import { standingBox } from './arrange';
import { fieldsAmong } from './fields';
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

/** Where an accent is put: about a place of the picture, so much larger than it was made for. */
interface AccentPlace {
  readonly x: number;
  readonly y: number;
  readonly scale: number;
}

/** Width for which accents are made, px, of a picture 1080 high: what they are put round or under is about so wide. */
const MADE_FOR = 560;

/**
 * Where an accent goes: about the middle of layers and groups as they stand at a frame, and as wide as they are together; in the
 * middle of the picture where there are none.
 * @param size of the picture, as times of one that is 1080 high.
 */
export function accentPlace(piece: Piece, ids: readonly string[], frame: number, size: number): AccentPlace {
  const box = unite(ids.flatMap((id) => standingBox(piece, id, frame) ?? []));
  if (!box) return { x: piece.size.width / 2, y: piece.size.height / 2, scale: 1 };
  const scale = clamp((box.right - box.left) / (MADE_FOR * size), 0.25, 3);
  return { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2, scale: Number(scale.toFixed(2)) };
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
