/** As much of a page as following a pointer takes. */
class Page extends EventTarget {
  isConnected = true;
  captured: number[] = [];
  setPointerCapture(id: number): void {
    this.captured.push(id);
  }
}
/** Node's own EventTarget does not take `true` for a capturing listener that is removed, as pages do. */
class Window extends EventTarget {
  override removeEventListener(type: string, listener: EventListener, options?: boolean): void {
    super.removeEventListener(type, listener, { capture: options === true });
  }
}
const page = new Window();
const watching: (() => void)[] = [];
Object.assign(globalThis, {
  window: page,
  document: page,
  MutationObserver: class {
    constructor(private readonly changed: () => void) {}
    observe(): void {
      watching.push(this.changed);
    }
    disconnect(): void {
      watching.splice(watching.indexOf(this.changed), 1);
    }
  },
});

import { cancelPointer, followPointer } from './pointer-session';

const pointer = (type: string, parts: object = {}): Event =>
  Object.assign(new Event(type, { cancelable: true }), { pointerId: 1, buttons: 1, ...parts });
const key = (name: string, parts: object = {}): Event =>
  Object.assign(new Event('keydown', { cancelable: true }), {
    key: name,
    ctrlKey: false,
    metaKey: false,
    ...parts,
  });

/** Begins a drag; answers with what was heard of it. */
function begin(isTrusted = true) {
  const element = new Page();
  const heard: string[] = [];
  const hear = (what: string) => () => void heard.push(what);
  followPointer(
    { pointerId: 1, isTrusted, currentTarget: element },
    { move: hear('move'), release: hear('release'), cancel: hear('cancel'), ended: hear('ended') },
  );
  return { element, heard };
}

test('moves and the release are heard, once; afterwards nothing is', () => {
  const { element, heard } = begin();
  expect(element.captured).toEqual([1]);
  page.dispatchEvent(pointer('pointermove'));
  page.dispatchEvent(pointer('pointermove', { pointerId: 2 }));
  page.dispatchEvent(pointer('pointerup', { buttons: 0 }));
  page.dispatchEvent(pointer('pointermove'));
  page.dispatchEvent(pointer('pointerup', { buttons: 0 }));
  expect(heard).toEqual(['move', 'release', 'ended']);
  expect(watching).toEqual([]);
});

test.each<[string, (element: Page) => void]>([
  ['Escape', () => page.dispatchEvent(key('Escape'))],
  ['undo', () => page.dispatchEvent(key('z', { ctrlKey: true }))],
  ['undo on another keyboard', () => page.dispatchEvent(key('Z', { metaKey: true }))],
  ['the pointer taken away', () => page.dispatchEvent(pointer('pointercancel'))],
  ['a release nobody heard', () => page.dispatchEvent(pointer('pointermove', { buttons: 0 }))],
  ['the window left', () => page.dispatchEvent(new Event('blur'))],
  [
    'the element gone',
    (element) => {
      element.isConnected = false;
      watching.forEach((changed) => changed());
    },
  ],
  ['another press', () => void begin()],
  ['being told to', () => cancelPointer()],
])('%s puts everything back, once', (_, end) => {
  const { element, heard } = begin();
  page.dispatchEvent(pointer('pointermove'));
  end(element);
  end(element);
  expect(heard).toEqual(['move', 'cancel', 'ended']);
  cancelPointer();
});

test('other keys wait for the end of the drag, modifiers pass; what changes elsewhere on the page ends nothing', () => {
  const { heard } = begin();
  const waiting = key('Delete');
  page.dispatchEvent(waiting);
  expect(waiting.defaultPrevented).toBe(true);
  const shift = key('Shift');
  page.dispatchEvent(shift);
  expect(shift.defaultPrevented).toBe(false);
  watching.forEach((changed) => changed());
  page.dispatchEvent(pointer('pointercancel', { pointerId: 7 }));
  expect(heard).toEqual([]);
  cancelPointer();
  const after = key('Delete');
  page.dispatchEvent(after);
  expect(after.defaultPrevented).toBe(false);
});

test('a pen that is replayed has no pointer to capture', () => {
  expect(begin(false).element.captured).toEqual([]);
  cancelPointer();
});
