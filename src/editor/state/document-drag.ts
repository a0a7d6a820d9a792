import { followPointer, type EditStep, type PointerDrag } from '@/ui';
import { beginDrag, cancelDrag, endDrag } from './editor-store';

/** Follows a press whose movements change the document: one step of undo, or none where it is cancelled. */
export function dragDocument(press: Parameters<typeof followPointer>[0], drag: PointerDrag): void {
  followPointer(press, {
    ...drag,
    release(event) {
      drag.release?.(event);
      endDrag();
    },
    cancel() {
      drag.cancel?.();
      cancelDrag();
    },
  });
  beginDrag();
}

/** One step of undo for the controls of the panels. */
export const DOCUMENT_STEP: EditStep = { begin: beginDrag, end: endDrag, cancel: cancelDrag };
