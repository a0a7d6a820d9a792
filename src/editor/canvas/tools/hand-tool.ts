import type { Point } from '@/core/geometry';
import { panBy, useView, type View } from '../view';
import type { CanvasTool } from './tool';

/** Moves the view. */
export function handTool(): CanvasTool {
  let from: Point | null = null;
  let before: View | null = null;
  return {
    down(input) {
      from = input.screen;
      before = useView.getState();
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
      if (before) useView.setState(before);
    },
    marks: () => ({}),
    cursor: () => (from ? 'grabbing' : 'grab'),
  };
}
