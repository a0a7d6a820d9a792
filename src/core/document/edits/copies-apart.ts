import { mixColours } from '../../colour';
import { copyMatrix, nowOf, placesOf } from '../../effects';
import { applyMatrix, inverse, transformPath } from '../../geometry';
import { withinGroup, worldOf } from '../at';
import { shiftKeyed, updateKeyed } from '../keys';
import { kindOf } from '../kinds';
import { layersOf, membersOf, updateLayers, updateParts } from '../parts';
import { partWithId, strokeById, type Piece } from '../schema';
import { changeEffects, effectsOf } from './effects';
import { fragmentOf, withFragment } from './fragment';
import { groupLayers } from './groups';
import { placementOf } from './place';
import { placementFrom } from './ungroup';

/**
 * Makes layers of the copies that an effect shows: each a group of its own, placed, as late, as strong and coloured as the copy was
 * at a frame. Effects before the copies stay with each, those after them with all. Nothing changes where there is no such effect.
 * @param newId gives ids that none of the piece bears.
 */
export function copiesApart(
  piece: Piece,
  id: string,
  index: number,
  frame: number,
  newId: () => string,
): Piece {
  const part = partWithId(piece, id);
  const effect = effectsOf(part)[index];
  if (!part || effect?.is.kind !== 'copies') return piece;
  const copies = nowOf(effect.is, frame);
  const m = withinGroup(piece, part, frame);
  const back = inverse(m);
  if (!back) return piece;
  const { pivotX, pivotY } = nowOf(placementOf(piece, id, frame), frame);
  const pivot = { x: pivotX, y: pivotY };
  const from = applyMatrix(m, pivot);
  const { arrangement } = copies;
  const along =
    arrangement.shape === 'along a stroke' ? strokeById(piece, arrangement.stroke ?? '') : undefined;
  const path = along ? transformPath(along.path, worldOf(piece, along, frame)) : null;
  const places = placesOf(arrangement, path);
  const after = effectsOf(part).slice(index + 1);
  const own = changeEffects(piece, [id], (effects) => effects.slice(0, index));
  const copied = fragmentOf(own, layersOf(own, id));
  const all: string[] = [];
  const apart = places.reduce((result, place, i) => {
    const put =
      i === 0
        ? { piece: result, ids: layersOf(result, id) }
        : withFragment(result, copied, newId, all.at(-1));
    const full = copyMatrix(copies, place, i, { matrix: m, back, pivot, onStroke: path !== null });
    const t = places.length > 1 ? i / (places.length - 1) : 0;
    const coloured =
      copies.recoloured && i > 0
        ? updateLayers(put.piece, put.ids, (layer) => {
            const { ownColour, recoloured } = kindOf(layer);
            const colour = ownColour(layer);
            return colour ? recoloured(layer, mixColours(colour, copies.colour, t)) : layer;
          })
        : put.piece;
    const late = copies.delay * i;
    const timed =
      late === 0
        ? coloured
        : updateKeyed(coloured, withInner(coloured, put.ids), (keyed) => shiftKeyed(keyed, late));
    const group = newId();
    all.push(...put.ids);
    const grouped = groupLayers(timed, put.ids, { id: group, name: `${part.name}, ${i + 1}` });
    const placement = placementFrom(full, from, copies.opacity ** i);
    return updateParts(grouped, [group], (one) => ({ ...one, place: placement }));
  }, own);
  const whole = { id: newId(), name: part.name };
  const grouped = groupLayers(apart, all, whole);
  return after.length > 0 ? changeEffects(grouped, [whole.id], () => after) : grouped;
}

/** Layers with the groups that hold nothing else. */
const withInner = (piece: Piece, ids: readonly string[]): string[] => [
  ...ids,
  ...piece.groups
    .filter(({ id }) => membersOf(piece, id).every((layer) => ids.includes(layer.id)))
    .map(({ id }) => id),
];
