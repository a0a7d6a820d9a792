import type { KeyboardEvent } from 'react';
import { keepEvent } from '@/ui';
import { select, useEditor } from '../state';
import { enterLane } from './key-travel';
import { isRowOpen, layersOfRow, setOpened, turnOf, type OpenRows, type Row } from './rows';

/** What the keys of a row need to know, and do. */
interface RowKeys {
  readonly rows: readonly Row[];
  readonly open: OpenRows;
  /** Chooses a row, with Shift and Ctrl as a press does. */
  readonly choose: (index: number, event: KeyboardEvent<HTMLElement>) => void;
  readonly focusRow: (index: number) => void;
  /** Lets the row with a key be renamed. */
  readonly setRenaming: (key: string) => void;
}

/** Opens or closes what lies under a row, for an arrow; false where there is nothing so to do. */
function turned(row: Row, open: OpenRows, key: string): boolean {
  const turn = turnOf(row);
  const isOpen = isRowOpen(row, open);
  const ownLanes = row.kind === 'group' && row.parts.length > 0;
  const lanesOpen = open.opened.includes(row.owner.id);
  if (key === 'ArrowRight') {
    if (turn && !isOpen) turn(true);
    else if (ownLanes && !lanesOpen) setOpened(row.owner.id, true);
    else return false;
  } else if (ownLanes && lanesOpen) setOpened(row.owner.id, false);
  else if (turn && isOpen) turn(false);
  else return false;
  return true;
}

/**
 * The keys of the rows: up and down from row to row, Ctrl Home and Ctrl End to the first and last, right and left open and close
 * what lies under them, right leads into the lane of one that is open, left to the group around, Space and Enter choose, F2 renames.
 */
export const rowKeys =
  ({ rows, open, choose, focusRow, setRenaming }: RowKeys) =>
  (event: KeyboardEvent<HTMLElement>, index: number): void => {
    if (event.target !== event.currentTarget) return;
    const row = rows[index]!;
    const { key } = event;
    if ((key === 'ArrowUp' || key === 'ArrowDown') && !event.altKey) {
      const to = index + (key === 'ArrowUp' ? -1 : 1);
      if (to >= 0 && to < rows.length) {
        choose(to, event);
        focusRow(to);
      }
    } else if ((key === 'Home' || key === 'End') && (event.ctrlKey || event.metaKey)) {
      const to = key === 'Home' ? 0 : rows.length - 1;
      select({ layers: layersOfRow(rows[to]!) });
      focusRow(to);
    } else if (key === 'ArrowRight' || key === 'ArrowLeft') {
      const done = turned(row, open, key);
      // Selected keys are moved by arrows, here as on the canvas.
      if (!done && useEditor.getState().selection.keys.length > 0) return;
      const around = rows.findLastIndex(({ depth }, i) => i < index && depth < row.depth);
      if (!done && key === 'ArrowRight') enterLane(event.currentTarget);
      else if (!done && around >= 0) focusRow(around);
    } else if (key === ' ' || key === 'Enter') choose(index, event);
    else if (key === 'F2' && row.kind !== 'part') setRenaming(row.key);
    else return;
    keepEvent(event);
  };
