import { kept } from '../../draw';
import { applied, kindOfEffect } from '../../effects';
import { subjectOf, varied } from '../subject';
import type { Items, Step, When } from './step';

const keyOf = ({ frame, variant }: When): string =>
  variant ? `${frame} ${variant.width} ${variant.reach}` : String(frame);

/** A part with its effects done, one after another. Each may ask for what it is done to at other moments. Mattes keep only effects that change a shape. */
export const applyEffects: Step = ({ scene, part, when, as }, before) => {
  const effects = (part.effects ?? []).filter(
    (effect) => effect.on && (as === 'seen' || kindOfEffect(effect).touches === 'shape'),
  );
  const after = (done: number, at: When): Items => {
    if (done === 0) return before(at);
    return scene.once(`${part.id} ${as} ${done} ${keyOf(at)}`, () =>
      applied(effects[done - 1]!, {
        ...subjectOf(scene.piece, part, at.frame),
        items: (frame, variant) => after(done - 1, { ...at, frame, variant: varied(at.variant, variant) }),
        kept: (from, make) => kept(part, `effect ${done} ${as}`, from, make),
      }),
    );
  };
  return after(effects.length, when);
};
