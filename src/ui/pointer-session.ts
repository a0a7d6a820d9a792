/** What a drag does, from the press to its end. */
export interface PointerDrag {
  /** Every movement while the pointer is held. */
  move?(event: PointerEvent): void;
  /** The pointer was let go: what was done stays. */
  release?(event: PointerEvent): void;
  /** Everything else that ends it: all goes back to where it was before the press. */
  cancel?(): void;
  /** After either of the two. */
  ended?(): void;
}

/** The press that began it, of the page or of React. */
interface Press {
  readonly pointerId: number;
  readonly isTrusted: boolean;
  readonly currentTarget: EventTarget | null;
}

/** The one drag that is under way: a person has one pointer in hand. */
const live: { cancel: (() => void) | null } = { cancel: null };

/** Puts back what is being dragged, if anything is. */
export const cancelPointer = (): void => live.cancel?.();

const MODIFIERS = new Set(['Shift', 'Alt', 'Control', 'Meta', 'AltGraph', 'CapsLock']);

/**
 * Follows a pointer from its press until it is let go. Everything that may end a drag otherwise is looked after here:
 * Escape and undo, the pointer taken away by the system, a window that loses the focus, a release that was never heard,
 * the pressed element leaving the page, another press. All of them cancel. Other keys wait for the end of the drag.
 */
export function followPointer(press: Press, drag: PointerDrag): void {
  cancelPointer();
  const element = press.currentTarget as Element;
  // A pen that is replayed has no pointer to capture.
  if (press.isTrusted) element.setPointerCapture(press.pointerId);

  const stop = (): void => {
    live.cancel = null;
    ends.forEach((end) => end());
    gone.disconnect();
    drag.ended?.();
  };
  const cancel = (): void => {
    drag.cancel?.();
    stop();
  };
  const moved = (event: PointerEvent): void => {
    if (event.pointerId !== press.pointerId) return;
    if (event.buttons === 0) cancel();
    else drag.move?.(event);
  };
  const released = (event: PointerEvent): void => {
    if (event.pointerId !== press.pointerId) return;
    drag.release?.(event);
    stop();
  };
  const taken = (event: PointerEvent): void => {
    if (event.pointerId === press.pointerId) cancel();
  };
  const key = (event: KeyboardEvent): void => {
    if (MODIFIERS.has(event.key)) return;
    event.stopImmediatePropagation();
    event.preventDefault();
    const undone = (event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z';
    if (event.key === 'Escape' || undone) cancel();
  };
  const gone = new MutationObserver(() => {
    if (!element.isConnected) cancel();
  });

  const ends: (() => void)[] = [];
  const listen = <K extends keyof WindowEventMap>(type: K, to: (event: WindowEventMap[K]) => void): void => {
    window.addEventListener(type, to, true);
    ends.push(() => window.removeEventListener(type, to, true));
  };
  listen('pointermove', moved);
  listen('pointerup', released);
  listen('pointercancel', taken);
  listen('keydown', key);
  listen('blur', (event) => event.target === window && cancel());
  gone.observe(document, { childList: true, subtree: true });
  live.cancel = cancel;
}
