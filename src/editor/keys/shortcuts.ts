import { takePasted } from '../importing';
import { save } from '../saving';
import { pasteCopied } from '../state';
import { SHORTCUTS } from './shortcuts-list';

const NAMES: Record<string, string> = { ' ': 'Space', '=': '+' };

/** The keys of an event as the list writes them. Shift counts only with Ctrl: elsewhere it means ten times, or the sign. */
function written(event: KeyboardEvent): string {
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

/** Space and Enter press buttons; they must keep doing so while one has the focus. */
const pressesButton = (event: KeyboardEvent): boolean =>
  (event.key === ' ' || event.key === 'Enter') &&
  document.activeElement?.matches(
    'button, [role="button"], [role="option"], [role="menuitem"], [role="radio"]',
  ) === true;

/** Saves wherever the focus is; a field first takes what was typed into it, as it would when it is left. */
function saveFromAnywhere(): void {
  const at = document.activeElement;
  if (at instanceof HTMLElement && inField(at)) {
    at.blur();
    at.focus();
  }
  void save();
}

/** Listens for the editor's keys; answers with a function that stops. */
export function listenForKeys(): () => void {
  const onKey = (event: KeyboardEvent): void => {
    if (event.defaultPrevented || pressesButton(event)) return;
    const at = document.activeElement;
    const isOurs = undoesPiece(event) || (holdsNoText(at) && (event.ctrlKey || event.metaKey));
    if (inField(at) && !isOurs) return;
    if (document.querySelector('[role="dialog"], [role="menu"], [role="listbox"]')) return;
    const now = written(event);
    const onCanvas =
      document.activeElement?.matches('[data-canvas]') === true || document.activeElement === document.body;
    const arrow = /^Arrow/.test(now);
    const found = SHORTCUTS.find(
      (s) => s.run && (!s.onCanvas || onCanvas) && (s.keys === now || (arrow && s.keys === 'Arrows')),
    );
    if (!found) return;
    event.preventDefault();
    if (!event.repeat || arrow || [',', '.', '+', '-', 'Ctrl Z', 'Ctrl Shift Z', 'Ctrl Y'].includes(now))
      found.run!(event);
  };
  const onPaste = (event: ClipboardEvent): void => {
    const at = document.activeElement;
    if ((inField(at) && !holdsNoText(at)) || document.querySelector('[role="dialog"]')) return;
    event.preventDefault();
    if (!event.clipboardData || !takePasted(event.clipboardData)) pasteCopied();
  };
  // Heard before fields and dialogs, which keep their keys to themselves.
  const onSave = (event: KeyboardEvent): void => {
    if (written(event) !== 'Ctrl S') return;
    event.preventDefault();
    saveFromAnywhere();
  };
  window.addEventListener('keydown', onSave, true);
  window.addEventListener('keydown', onKey);
  window.addEventListener('paste', onPaste);
  return () => {
    window.removeEventListener('keydown', onSave, true);
    window.removeEventListener('keydown', onKey);
    window.removeEventListener('paste', onPaste);
  };
}
