import { changed, setInk, updateStrokes, type Ink, type InkChange, type Stroke } from '@/core/document';
import { editChosen } from '../../state';

/** Changes the inks of the selection, each from what it was; quick changes of one kind are one step of undo. */
export const changeInk = (change: InkChange | ((ink: Ink) => InkChange), kind: string): void =>
  editChosen((piece, ids) => setInk(piece, ids, change), `ink ${kind}`);

/** Changes the inks of the selection, each by what its stroke is. */
export const changeInkBy = (change: (stroke: Stroke) => InkChange, kind: string): void =>
  editChosen(
    (piece, ids) =>
      updateStrokes(piece, ids, (stroke) => ({ ...stroke, ink: changed(stroke.ink, change(stroke)) })),
    `ink ${kind}`,
  );
