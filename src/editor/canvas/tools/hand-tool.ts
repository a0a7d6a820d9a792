import type { Point } from '@/core/geometry';
import { panBy } from '../view';
import type { CanvasTool } from './tool';

/** Moves the view. */
export function handTool(): CanvasTool {
  let from: Point | null = null;
  return {
    down(input) {
      from = input.screen;
    },
    move(input, pressed) {
      if (!pressed || !from) return;
      panBy(input.screen.x - from.x, input.screen.y - from.y);
      from = input.screen;
    },
    up() {
      from = null;
    },
    cancel() {
      from = null;
    },
    marks: () => ({}),
    cursor: () => (from ? 'grabbing' : 'grab'),
  };
}
