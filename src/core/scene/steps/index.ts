// The way of a layer or group into the picture. What it draws is masked, placed, uncovered by others and changed by its effects; it is
// then laid over what is beneath, and blurred where it moves. A step asks the ones before it, at any moment; `uncover` and `draw` ask
// for other parts, which go the same way.
import type { Part } from '../../document';
import { applyEffects } from './apply-effects';
import { draw } from './draw';
import { expose } from './expose';
import { lay } from './lay';
import { mask } from './mask';
import { place } from './place';
import type { As, Items, Scene, Step, When } from './step';
import { uncover } from './uncover';

const STEPS: readonly Step[] = [draw, mask, place, uncover, applyEffects, lay, expose];

/** What a layer or group shows after so many of the steps. */
export function afterSteps(scene: Scene, part: Part, when: When, as: As, steps = STEPS.length): Items {
  const step = STEPS[steps - 1];
  return step
    ? step({ scene, part, when, as }, (at = when) => afterSteps(scene, part, at, as, steps - 1))
    : [];
}

export { itemsOf } from './draw';
export type { Own, Scene } from './step';
