import { updateLayers, type Keyed } from '../parts';
import type { Group, Piece, Pin } from '../schema';

const pinAsKeyed = ({ x, y }: Pin): Keyed => ({ pin: { x, y } });

/** A group as what bears keys: those of its line, and its own. */
const groupAsKeyed = ({ line, ...own }: Group): Keyed => ({ ...own, ...(line && { window: line.window }) });

/** Stands for the piece itself among what bears keys; no layer, group or pin can be called so. */
export const WHOLE_PIECE = 'whole piece';

/** What of a piece may bear keys. */
export interface KeyBearers extends Pick<Piece, 'layers' | 'groups' | 'pins'> {
  readonly drawings?: Piece['drawings'];
}

const pieceAsKeyed = ({ drawings }: Pick<KeyBearers, 'drawings'>): Keyed => ({
  ...(drawings !== undefined && { drawings }),
});

/** What bears keys by its id: a layer, a group, a pin or the piece itself. */
export function keyedById(piece: KeyBearers, id: string): Keyed | undefined {
  if (id === WHOLE_PIECE) return pieceAsKeyed(piece);
  const layer = piece.layers.find((one) => one.id === id);
  if (layer) return layer;
  const group = piece.groups.find((one) => one.id === id);
  if (group) return groupAsKeyed(group);
  const pin = piece.pins.find((one) => one.id === id);
  return pin && pinAsKeyed(pin);
}

interface Named {
  readonly id: string;
  readonly name: string;
  readonly keyed: Keyed;
}

/** What bears keys and is no layer or group: pins, and the piece itself. */
export const otherKeyed = ({ pins, drawings }: Pick<KeyBearers, 'pins' | 'drawings'>): Named[] => [
  ...pins.map((pin) => ({ id: pin.id, name: pin.name, keyed: pinAsKeyed(pin) })),
  { id: WHOLE_PIECE, name: 'Whole piece', keyed: pieceAsKeyed({ drawings }) },
];

/** Everything in a piece that bears keys: layers, groups, pins and the piece itself. */
export const allKeyed = (piece: KeyBearers): Named[] => [
  ...piece.layers.map((layer) => ({ id: layer.id, name: layer.name, keyed: layer })),
  ...piece.groups.map((group) => ({ id: group.id, name: group.name, keyed: groupAsKeyed(group) })),
  ...otherKeyed(piece),
];

/** Changes layers, groups, pins and the piece itself by their ids, as what bears keys. */
export function updateKeyed(
  piece: Piece,
  ids: readonly string[],
  change: <K extends Keyed>(keyed: K, id: string) => K,
): Piece {
  const layers = updateLayers(piece, ids, (layer) => change(layer, layer.id));
  const groups = changedOnes(layers.groups, ids, (group) => {
    const { window, ...own } = change(groupAsKeyed(group), group.id);
    return { ...group, ...own, ...(group.line && window && { line: { ...group.line, window } }) };
  });
  const pins = changedOnes(layers.pins, ids, (pin) => ({ ...pin, ...change(pinAsKeyed(pin), pin.id).pin }));
  const parts = groups === piece.groups && pins === piece.pins ? layers : { ...layers, groups, pins };
  return ids.includes(WHOLE_PIECE) ? { ...parts, ...change(pieceAsKeyed(piece), WHOLE_PIECE) } : parts;
}

/** A list in which the ones with the given ids are changed; the same list where there are none. */
const changedOnes = <T extends { readonly id: string }>(
  list: readonly T[],
  ids: readonly string[],
  change: (one: T) => T,
): readonly T[] =>
  list.some((one) => ids.includes(one.id))
    ? list.map((one) => (ids.includes(one.id) ? change(one) : one))
    : list;
