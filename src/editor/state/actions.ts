import {
  addStrokes,
  duplicateStrokes,
  moveStrokes,
  movePoints,
  removeKeys,
  removePoints,
  removeStrokes,
  reverseStrokes,
  stepStrokes,
  toCorner,
  toSmooth,
  updateStrokes,
  withClosed,
  withPath,
  moveKeys,
  type Stroke,
} from '@/core/document';
import type { Path, Point } from '@/core/geometry';
import { notify } from '@/ui';
import { edit, newId, NOTHING, select, selectedStrokes, singleStroke, useEditor } from './editor-store';

const get = useEditor.getState;

/** Ids of the selected strokes that may be changed; says so when all are locked. */
export function changeable(): string[] {
  const strokes = selectedStrokes(get());
  const free = strokes.filter((stroke) => !stroke.locked);
  if (strokes.length > 0 && free.length === 0)
    notify('The selected strokes are locked. Unlock them in the score.');
  return free.map((stroke) => stroke.id);
}

/** Changes the path of the one selected stroke. */
export function editPath(change: (path: Path) => Path, merge?: string): void {
  const [id] = changeable();
  const stroke = singleStroke(get());
  if (stroke && id) edit((piece) => withPath(piece, id, change(stroke.path)), merge);
}

/** Deletes what is selected: keys before points before whole strokes. */
export function deleteSelected(): void {
  const { selection } = get();
  if (selection.keys.length > 0) {
    edit((piece) => removeKeys(piece, selection.keys));
    select({ strokes: selection.strokes });
    return;
  }
  const ids = changeable();
  const stroke = singleStroke(get());
  const rest = stroke && selection.points.length > 0 ? removePoints(stroke.path, selection.points) : null;
  if (ids.length === 0) return;
  if (stroke && rest) {
    edit((piece) => withPath(piece, stroke.id, rest));
    select({ strokes: selection.strokes });
    return;
  }
  edit((piece) => removeStrokes(piece, ids));
  useEditor.setState({ selection: NOTHING, drawing: null });
}

/** Moves points, or whole strokes where none are selected, by an offset in piece pixels. */
export function nudgeSelected(by: Point): void {
  const { points } = get().selection;
  const ids = changeable();
  if (ids.length === 0) return;
  if (points.length > 0) editPath((path) => movePoints(path, by, points), 'nudge points');
  else edit((piece) => moveStrokes(piece, ids, by), 'nudge strokes');
}

export function nudgeKeys(frames: number): void {
  const { keys } = get().selection;
  edit((piece) => moveKeys(piece, keys, frames), 'nudge keys');
}

export function duplicateSelected(): void {
  const { strokes } = get().selection;
  if (strokes.length === 0) return;
  const ids = strokes.map(newId);
  edit((piece) => moveStrokes(duplicateStrokes(piece, strokes, ids), ids, { x: 24, y: 24 }));
  select({ strokes: ids });
}

/** Strokes copied in this window, ready to be put into any piece. */
let copied: readonly Stroke[] = [];

export function copySelected(): void {
  copied = selectedStrokes(get());
}

export function pasteCopied(): void {
  if (copied.length === 0) return;
  const strokes = copied.map((stroke) => ({ ...stroke, id: newId() }));
  edit((piece) => addStrokes(piece, strokes));
  select({ strokes: strokes.map((stroke) => stroke.id) });
}

export const selectAll = (): void => {
  const { selection } = get();
  const stroke = singleStroke(get());
  if (stroke && selection.points.length > 0 && selection.points.length < stroke.path.points.length) {
    select({ strokes: [stroke.id], points: stroke.path.points.map((_, i) => i) });
  } else
    select({
      strokes: get()
        .piece.layers.filter((l) => !l.hidden)
        .map((l) => l.id),
    });
};

export const reverseSelected = (): void => {
  const ids = changeable();
  edit((piece) => reverseStrokes(piece, ids));
};

export const stepSelected = (step: -1 | 1): void => {
  const { strokes } = get().selection;
  edit((piece) => stepStrokes(piece, strokes, step));
};

/** Points to work on: the selected ones, or all of the path. */
const pointsOf = (path: Path): readonly number[] => {
  const { points } = get().selection;
  return points.length > 0 ? points : path.points.map((_, i) => i);
};

export const makeCorner = (): void => editPath((path) => toCorner(path, pointsOf(path)));
export const makeSmooth = (): void => editPath((path) => toSmooth(path, pointsOf(path)));
export const toggleClosed = (): void => editPath((path) => withClosed(path, !path.closed));

/** Sets a switch of strokes; hiding and locking work on locked strokes too. */
export const setFlag = (ids: readonly string[], flag: 'hidden' | 'locked', to: boolean): void =>
  edit((piece) =>
    updateStrokes(piece, ids, (stroke) => (stroke[flag] === to ? stroke : { ...stroke, [flag]: to })),
  );

export const renameStroke = (id: string, name: string): void =>
  edit((piece) => updateStrokes(piece, [id], (stroke) => ({ ...stroke, name })));
