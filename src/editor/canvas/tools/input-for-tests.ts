import { toScreen, useView } from '../view';
import type { PointerInput } from './tool';

/** What a tool hears of a mouse at a place of the piece, for tests. */
export const pointerAt = (x: number, y: number, part: Partial<PointerInput> = {}): PointerInput => ({
  screen: toScreen(useView.getState(), { x, y }),
  point: { x, y },
  shift: false,
  alt: false,
  double: false,
  pressure: 0.5,
  tiltX: 0,
  tiltY: 0,
  time: 0,
  ...part,
});
