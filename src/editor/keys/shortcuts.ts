import { listenToClipboard } from '../clipboard';
import { focusCanvas } from '../focus-canvas';
import { save } from '../saving';
import { isCharacter, useOwnKeys } from './own-keys';
import { SHORTCUTS, type Shortcut } from './shortcuts-list';
import { isTypedOn } from '../typed-on';

const NAMES: Record<string, string> = { ' ': 'Space', '=': '+' };

/** The keys of an event as the list writes them. Shift counts only with Ctrl: elsewhere it means ten times, or the sign. */
export function written(
  event: Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'altKey' | 'shiftKey'>,
): string {
  const key = NAMES[event.key] ?? (event.key.length === 1 ? event.key.toUpperCase() : event.key);
  const control = event.ctrlKey || event.metaKey;
  return [control && 'Ctrl', event.altKey && 'Alt', control && event.shiftKey && 'Shift', key]
    .filter(Boolean)
    .join(' ');
}

const inField = (element: Element | null): boolean =>
  element instanceof HTMLInputElement ||
  element instanceof HTMLTextAreaElement ||
  (element as HTMLElement)?.isContentEditable === true;

/** A box or a knob holds no text of its own: keys with Ctrl mean the piece, the rest are its own. */
const holdsNoText = (element: Element | null): boolean =>
  element instanceof HTMLInputElement && ['checkbox', 'radio', 'range'].includes(element.type);

/** In a number field whose text was not touched, undo means the piece, not the text. */
const undoesPiece = (event: KeyboardEvent): boolean =>
  /^Ctrl (Shift )?[ZY]$/.test(written(event)) && document.activeElement?.matches('[data-untouched]') === true;

/** Space and Enter press buttons that were reached by keyboard. */
const pressesButton = (event: KeyboardEvent, at: Element | null): boolean =>
  (event.key === ' ' || event.key === 'Enter') &&
  at?.matches('button, [role="button"], [role="option"], [role="menuitem"], [role="radio"]') === true;

/** Where something is written; a box or a knob is not. */
const isText = (element: Element | null): boolean => inField(element) && !holdsNoText(element);

/**
 * What keys belong to: a field, the canvas, the score, or a control that was reached by keyboard. A control that a pointer has pressed
 * keeps the focus, but whoever pressed it works on the piece: null then.
 */
function holderOfKeys(): Element | null {
  const at = document.activeElement;
  return at && (inField(at) || atWork(at) || at.matches(':focus-visible')) ? at : null;
}

/** Space plays, whatever a pointer has pressed last: a button or a box would take it for a press. */
const playsPastControl = (event: KeyboardEvent, at: Element | null): boolean =>
  written(event) === 'Space' &&
  at !== null &&
  !isText(at) &&
  !at.matches('[data-canvas]') &&
  !at.matches(':focus-visible');

/**
 * Where keys without Ctrl or Alt mean the piece: on the canvas, in the score, and where nothing has the focus. Elsewhere they
 * belong to what has it, so that Delete on a button deletes nothing.
 */
const atWork = (element: Element | null): boolean =>
  element === null ||
  element === document.body ||
  element.matches('[data-canvas]') ||
  element.closest('[data-score] [data-lanes]') !== null;

/** Letters that take up tools and change points, and Enter, mean the canvas alone. */
const onCanvas = (element: Element | null): boolean =>
  element === null || element === document.body || element.matches('[data-canvas]');

/** Keys that nobody presses without meaning them, wherever the focus is. */
const EVERYWHERE: readonly string[] = ['Space', 'Escape', '?'];

/** What the keys do that were pressed, as they are or as a person gave them. */
function meant(now: string): Shortcut | undefined {
  const { own, characters } = useOwnKeys.getState();
  if (isCharacter(now) && !characters) return undefined;
  const arrow = /^Arrow/.test(now);
  return SHORTCUTS.find(({ run, name, keys }) => {
    const given = own[name];
    return run && ((given === undefined ? keys : given) === now || (arrow && keys === 'Arrows'));
  });
}

/** Saves wherever the focus is; a field first takes what was typed into it, as it would when it is left. */
function saveFromAnywhere(): void {
  const at = document.activeElement;
  if (at instanceof HTMLElement && inField(at)) {
    at.blur();
    at.focus();
  }
  void save();
}

/** Whether a dialog, a menu or a list is open, which keeps all keys. */
const isElsewhere = (): boolean =>
  document.querySelector('[role="dialog"], [role="menu"], [role="listbox"]') !== null;

/** Listens for the editor's keys; answers with a function that stops. */
export function listenForKeys(): () => void {
  const onKey = (event: KeyboardEvent): void => {
    const at = holderOfKeys();
    if (event.defaultPrevented || pressesButton(event, at)) return;
    const isOurs = undoesPiece(event) || (holdsNoText(at) && (event.ctrlKey || event.metaKey));
    const elsewhere = isElsewhere();
    if (inField(at) && !isOurs) {
      // Escape in a field in which nothing was typed leaves it for the canvas.
      if (event.key === 'Escape' && !elsewhere) focusCanvas();
      return;
    }
    if (elsewhere) return;
    const now = written(event);
    if ((isCharacter(now) || now === 'Space') && isTypedOn(event.timeStamp)) return;
    const plain = !/^(Ctrl|Alt) /.test(now);
    if (plain && !EVERYWHERE.includes(now) && !atWork(at)) return;
    const found = meant(now);
    if (!found || (found.onCanvas && !onCanvas(at))) return;
    event.preventDefault();
    if (
      !event.repeat ||
      /^Arrow/.test(now) ||
      [',', '.', '+', '-', 'Ctrl Z', 'Ctrl Shift Z', 'Ctrl Y'].includes(now)
    )
      found.run!(event);
  };
  /** Copying, cutting and pasting mean the piece but where text is written, and where words are selected to be read. */
  const meansPiece = (): boolean => {
    const at = document.activeElement;
    const words = window.getSelection()?.type === 'Range';
    return !words && !(inField(at) && !holdsNoText(at)) && !document.querySelector('[role="dialog"]');
  };
  const deaf = listenToClipboard(meansPiece);
  const onSpace = (event: KeyboardEvent): void => {
    if (!playsPastControl(event, document.activeElement) || isElsewhere()) return;
    event.preventDefault();
    event.stopImmediatePropagation();
    if (!event.repeat) meant('Space')?.run?.(event);
  };
  // Heard before fields and dialogs, which keep their keys to themselves.
  const onSave = (event: KeyboardEvent): void => {
    if (written(event) !== 'Ctrl S') return;
    event.preventDefault();
    saveFromAnywhere();
  };
  window.addEventListener('keydown', onSave, true);
  window.addEventListener('keydown', onSpace, true);
  window.addEventListener('keydown', onKey);
  return () => {
    window.removeEventListener('keydown', onSave, true);
    window.removeEventListener('keydown', onSpace, true);
    window.removeEventListener('keydown', onKey);
    deaf();
  };
}
