import { startTyping } from '../typing';
import type { CanvasTool } from './tool';

/** Sets type where it is pressed: a field opens there to write in. */
export function textTool(): CanvasTool {
  return {
    down: () => undefined,
    move: () => undefined,
    up: (input) => startTyping(input.point),
    cancel: () => undefined,
    marks: () => ({}),
    cursor: () => 'text',
  };
}
