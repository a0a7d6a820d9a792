import { select, useEditor } from '../state';
import { scrollTime, useTimeScale, xOf } from './time-scale';

const frameOf = (key: Element): number => Number(key.getAttribute('aria-valuenow'));

/** The keys that a row of the score shows, in the order of their frames. */
const keysIn = (row: Element): SVGGElement[] =>
  [...row.querySelectorAll<SVGGElement>('[data-key]')].sort((a, b) => frameOf(a) - frameOf(b));

/** Gives a key the focus, and brings its frame and its row into sight. */
function focusKey(key: SVGGElement): void {
  const scale = useTimeScale.getState();
  const x = xOf(scale, frameOf(key));
  if (x < 0 || x > scale.width) scrollTime(x - scale.width / 2, useEditor.getState().piece.length);
  // The focus itself would scroll the lane out of step with all others.
  key.focus({ preventScroll: true });
  key.closest('[data-row]')?.scrollIntoView({ block: 'nearest' });
}

const nearest = (keys: readonly SVGGElement[], frame: number): SVGGElement | undefined =>
  [...keys].sort((a, b) => Math.abs(frameOf(a) - frame) - Math.abs(frameOf(b) - frame))[0];

/** From a row into its lane: to the key nearest to the playhead. False where it shows none. */
export function enterLane(row: Element): boolean {
  const key = nearest(keysIn(row), useEditor.getState().frame);
  if (key) focusKey(key);
  return key !== undefined;
}

/**
 * From a key to another, for its keys: with Ctrl to the one before or after it in its lane, or to the nearest in the lane above or
 * below; Escape back to its row. False for other keys.
 */
export function travel(event: Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey'>, key: SVGGElement): boolean {
  const row = key.closest<HTMLElement>('[data-row]');
  if (!row) return false;
  if (event.key === 'Escape') {
    select({ layers: useEditor.getState().selection.layers });
    row.focus();
    return true;
  }
  if (!event.ctrlKey && !event.metaKey) return false;
  const along = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
  if (along !== undefined) {
    const keys = keysIn(row);
    const to = keys[keys.indexOf(key) + along];
    if (to) focusKey(to);
    return true;
  }
  const across = { ArrowUp: -1, ArrowDown: 1 }[event.key];
  if (across === undefined) return false;
  const rows = [...document.querySelectorAll<HTMLElement>('[data-score] [data-row]')].sort(
    (a, b) => Number(a.dataset.row) - Number(b.dataset.row),
  );
  for (let i = rows.indexOf(row) + across; rows[i]; i += across) {
    const to = nearest(keysIn(rows[i]!), frameOf(key));
    if (!to) continue;
    focusKey(to);
    break;
  }
  return true;
}
