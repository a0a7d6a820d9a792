/** What can have the focus, for the keyboard. */
const FOCUSABLE =
  'a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), textarea:not(:disabled), [tabindex]';

/** In so many of the elements it lies in its place is counted; beyond them the first is as good. */
const COUNTED = 6;

/** So many places that had the focus are remembered: a menu that goes takes what opened it with it. */
const REMEMBERED = 6;

/** Where the focus was: the element, what it lay in, and how many that can have the focus stood before it there. */
interface Place {
  readonly element: Element;
  readonly within: readonly { readonly parent: Element; readonly before: number }[];
}

const isSeen = (element: Element): boolean =>
  element.checkVisibility?.({ visibilityProperty: true }) !== false;
const focusablesIn = (parent: Element): HTMLElement[] =>
  [...parent.querySelectorAll<HTMLElement>(FOCUSABLE)].filter(isSeen);

function placeOf(element: Element): Place {
  const within: { parent: Element; before: number }[] = [];
  for (
    let parent = element.parentElement;
    parent && parent !== document.body;
    parent = parent.parentElement
  ) {
    const before = within.length < COUNTED ? [...parent.querySelectorAll(FOCUSABLE)].indexOf(element) : 0;
    within.push({ parent, before: Math.max(0, before) });
  }
  return { element, within };
}

/** What stands where an element was that is gone: the one now in its place in the closest of what it lay in that is still there. */
function nearest({ element, within }: Place): HTMLElement | null {
  const stillThere = element as HTMLElement;
  if (element.isConnected && element.matches(FOCUSABLE) && isSeen(element)) return stillThere;
  for (const { parent, before } of within) {
    if (!parent.isConnected || !isSeen(parent)) continue;
    if (parent instanceof HTMLElement && parent.tabIndex >= 0) return parent;
    const there = focusablesIn(parent);
    if (there.length > 0) return there[Math.min(before, there.length - 1)]!;
  }
  return null;
}

/**
 * Keeps the focus from falling to the page when what had it goes: deleted, renamed, closed, switched off. It goes to what now
 * stands in its place. A press on a bare spot still takes it away, as everywhere.
 * @returns what ends it
 */
export function keepFocus(): () => void {
  let places: Place[] = [];
  let asked = 0;
  const remember = ({ target }: FocusEvent): void => {
    if (!(target instanceof Element) || target === document.body) return;
    places = [placeOf(target), ...places.filter(({ element }) => element !== target)].slice(0, REMEMBERED);
  };
  const restore = (): void => {
    asked = 0;
    const [last] = places;
    // Focus that was given up by a press or by its own wish leaves its element where it was, and able to have it.
    const isGone =
      last && !(last.element.isConnected && last.element.matches(FOCUSABLE) && isSeen(last.element));
    if (document.activeElement !== document.body || !isGone) return;
    for (const place of places) {
      const to = nearest(place);
      if (!to) continue;
      to.focus({ preventScroll: true });
      return;
    }
  };
  /** Asked for after whatever the change itself does with the focus, as dialogs and menus do when they close. */
  const look = (): void => {
    if (document.activeElement !== document.body || asked) return;
    asked = requestAnimationFrame(() => {
      asked = requestAnimationFrame(restore);
    });
  };
  const observer = new MutationObserver(look);
  observer.observe(document.body, {
    subtree: true,
    childList: true,
    attributes: true,
    attributeFilter: ['disabled', 'hidden'],
  });
  document.addEventListener('focusin', remember);
  return () => {
    cancelAnimationFrame(asked);
    observer.disconnect();
    document.removeEventListener('focusin', remember);
  };
}
