import { beginDrag, cancelDrag, endDrag } from '../../state';
import type { CanvasTool, PointerInput } from './tool';

/** A press that a tool is under: what becomes of it. */
export interface ToolPress {
  readonly tool: CanvasTool;
  release(input: PointerInput): void;
  /** It was taken back: everything is as it was before. */
  cancel(): void;
}

/** Puts a tool down. All that it does to the document until it is let go is one step of undo, taken back it is none. */
export function pressTool(tool: CanvasTool, input: PointerInput): ToolPress {
  beginDrag();
  tool.down(input);
  return {
    tool,
    release(at) {
      tool.up(at);
      endDrag();
    },
    cancel() {
      tool.cancel();
      cancelDrag();
    },
  };
}
