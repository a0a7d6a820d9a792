import { setInk, type Ink, type InkChange } from '@/core/document';
import { changeable, edit } from '../../state';

/** Changes the inks of the selection, each from what it was; quick changes of one kind are one step of undo. */
export function changeInk(change: InkChange | ((ink: Ink) => InkChange), kind: string): void {
  const ids = changeable();
  if (ids.length > 0) edit((piece) => setInk(piece, ids, change), `ink ${kind}`);
}
