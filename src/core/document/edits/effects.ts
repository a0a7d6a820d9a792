import { MOST_EFFECTS, type Effect } from '../../effects';
import { changed, sameValue, updateParts } from '../parts';
import { partWithId, type Field, type Part, type Piece } from '../schema';

/** The effects of a layer or group, one after another. */
export const effectsOf = (part: Part | undefined): readonly Effect[] => part?.effects ?? [];

/** A field that fills part of an effect, where that effect stands now; none where it was taken out. */
function movedField(field: Field, from: readonly Effect[], to: readonly Effect[]): Field[] {
  const [, index, rest] = /^effects\.(\d+)(\..*)$/.exec(field.part ?? '') ?? [];
  if (index === undefined) return [field];
  const now = to.indexOf(from[Number(index)]!);
  // Changed in its place it is another object, and the list as long as before.
  if (now < 0) return to.length < from.length ? [] : [field];
  return [{ ...field, part: `effects.${now}${rest}` }];
}

/** Layers and groups with the effects that a rule makes of those they have; fields go along with what they fill. */
export function changeEffects(
  piece: Piece,
  ids: readonly string[],
  to: (effects: readonly Effect[]) => readonly Effect[],
): Piece {
  let { fields } = piece;
  const parts = updateParts(piece, ids, <P extends Part>(part: P) => {
    const effects = to(effectsOf(part)).slice(0, MOST_EFFECTS);
    fields = fields.flatMap((field) =>
      field.of[0] === part.id ? movedField(field, effectsOf(part), effects) : [field],
    );
    return changed<P>(part, { effects: effects.length > 0 ? effects : undefined } as Partial<P>);
  });
  return { ...parts, fields };
}

/** Puts an effect at the end of those of layers and groups. */
export const addEffect = (piece: Piece, ids: readonly string[], effect: Effect): Piece =>
  changeEffects(piece, ids, (effects) => [...effects, effect]);

/** Takes the effect at a place in the order out. */
export const removeEffect = (piece: Piece, ids: readonly string[], index: number): Piece =>
  changeEffects(piece, ids, (effects) => effects.filter((_, i) => i !== index));

/** Moves an effect to another place in the order. */
export const moveEffect = (piece: Piece, ids: readonly string[], from: number, to: number): Piece =>
  changeEffects(piece, ids, (effects) => {
    const moved = effects[from];
    if (!moved || to < 0 || to >= effects.length) return effects;
    const others = effects.filter((_, i) => i !== from);
    return [...others.slice(0, to), moved, ...others.slice(to)];
  });

/** Changes the effect at a place in the order. */
export const changeEffect = (
  piece: Piece,
  ids: readonly string[],
  index: number,
  to: (effect: Effect) => Effect,
): Piece => changeEffects(piece, ids, (effects) => effects.map((one, i) => (i === index ? to(one) : one)));

/** Whether layers and groups have the same kinds of effects in the same order, so that one form is for all of them. */
export const haveSameEffects = (piece: Piece, ids: readonly string[]): boolean => {
  const [first, ...more] = ids.map((id) => effectsOf(partWithId(piece, id)).map(({ is }) => is.kind));
  return more.every((kinds) => sameValue(kinds, first));
};
