import type { EditorState } from '../../state';
import type { Grips } from './grip';
import { letterGrips } from './letter-grips';
import { maskGrips } from './mask-grips';
import { pinGrips } from './pin-grips';
import { placeGrips } from './place-grips';

export { maskInHand } from './mask-grips';
export { movePlace, placeTarget } from './place-grips';
export type { Grip, Told } from './grip';

/** Everything on the canvas that can be taken hold of besides points, and the lines drawn for it. */
export function gripsOf(state: EditorState): Grips {
  const all = [letterGrips(state), pinGrips(state), placeGrips(state), maskGrips(state)];
  return { lines: all.flatMap(({ lines }) => lines), grips: all.flatMap(({ grips }) => grips) };
}
