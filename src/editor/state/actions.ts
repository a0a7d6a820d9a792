import {
  asWholes,
  placementOf,
  setPlace,
  duplicateLayers,
  moveLayers,
  movePoints,
  removeKeys,
  removePoints,
  removeLayers,
  removeUnderlay,
  reverseStrokes,
  stepLayers,
  toCorner,
  toSmooth,
  updateLayers,
  withTimingCarried,
  withClosed,
  withPath,
  mirrorKeys,
  moveKeys,
  renameGroup,
  reverseKeys,
  groupLayers,
  freeName,
  ungroup,
  wholeGroup,
  takeApart,
  type Piece,
} from '@/core/document';
import type { Path, Point } from '@/core/geometry';
import { valueAt } from '@/core/timing';
import { ask, notify } from '@/ui';
import {
  edit,
  newId,
  NOTHING,
  select,
  selectedLayers,
  singleStroke,
  useEditor,
  type Tool,
} from './editor-store';

const get = useEditor.getState;

/** Ids of what is selected and may be changed; says so when all of it is locked. */
export function changeable(): string[] {
  const layers = selectedLayers(get());
  const free = layers.filter((layer) => !layer.locked);
  if (layers.length > 0 && free.length === 0)
    notify('The selected strokes are locked. Unlock them in the score.');
  return free.map((layer) => layer.id);
}

/** Changes what is selected and may be changed. */
export function editChosen(change: (piece: Piece, ids: string[]) => Piece, merge?: string): void {
  const ids = changeable();
  if (ids.length > 0) edit((piece) => change(piece, ids), merge);
}

/** Changes the path of the one selected stroke. */
export function editPath(change: (path: Path) => Path, merge?: string): void {
  const [id] = changeable();
  const stroke = singleStroke(get());
  if (stroke && id) edit((piece) => withPath(piece, id, change(stroke.path)), merge);
}

/** Deletes what is selected: an underlay, or keys before points before whole strokes. */
export function deleteSelected(): void {
  const { selection, underlay } = get();
  if (underlay) {
    edit((piece) => removeUnderlay(piece, underlay));
    useEditor.setState({ underlay: null });
    return;
  }
  if (selection.keys.length > 0) {
    edit((piece) => removeKeys(piece, selection.keys));
    select({ layers: selection.layers });
    return;
  }
  const ids = changeable();
  const stroke = singleStroke(get());
  const rest = stroke && selection.points.length > 0 ? removePoints(stroke.path, selection.points) : null;
  if (ids.length === 0) return;
  if (stroke && rest) {
    edit((piece) => withPath(piece, stroke.id, rest));
    select({ layers: selection.layers });
    return;
  }
  edit((piece) => removeLayers(piece, ids));
  useEditor.setState({ selection: NOTHING, drawing: null });
}

/** Moves points, or whole strokes where none are selected, by an offset in piece pixels. */
export function nudgeSelected(by: Point): void {
  const { points } = get().selection;
  const ids = changeable();
  if (ids.length === 0) return;
  if (get().step === 'place') nudgePlaced(ids, by);
  else if (points.length > 0) editPath((path) => movePoints(path, by, points), 'nudge points');
  else edit((piece) => moveLayers(piece, ids, by), 'nudge strokes');
}

/** In the Place step what is chosen is moved as it stands, groups as a whole: what is keyed gets a key at the frame shown. */
function nudgePlaced(ids: readonly string[], by: Point): void {
  const frame = Math.round(get().frame);
  edit(
    (piece) =>
      asWholes(piece, ids).reduce((result, id) => {
        const { x, y } = placementOf(result, id, frame);
        return setPlace(result, id, frame, { x: valueAt(x, frame) + by.x, y: valueAt(y, frame) + by.y });
      }, piece),
    'nudge placed',
  );
}

/** Turns the selected keys round in time, or their values upside down. */
export const reverseSelectedKeys = (): void => edit((piece) => reverseKeys(piece, get().selection.keys));
export const mirrorSelectedKeys = (): void => edit((piece) => mirrorKeys(piece, get().selection.keys));

export function nudgeKeys(frames: number): void {
  const { keys } = get().selection;
  edit((piece) => moveKeys(piece, keys, frames), 'nudge keys');
}

export function duplicateSelected(): void {
  const { piece, selection } = get();
  if (selection.layers.length === 0) return;
  const made = duplicateLayers(piece, selection.layers, newId);
  edit(() => made.piece);
  select({ layers: made.ids });
}

export const selectAll = (): void => {
  const { selection } = get();
  const stroke = singleStroke(get());
  if (stroke && selection.points.length > 0 && selection.points.length < stroke.path.points.length) {
    select({ layers: [stroke.id], points: stroke.path.points.map((_, i) => i) });
  } else
    select({
      layers: get()
        .piece.layers.filter((l) => !l.hidden && !l.locked)
        .map((l) => l.id),
    });
};

export const reverseSelected = (): void => {
  const ids = changeable();
  edit((piece) => reverseStrokes(piece, ids));
};

export const stepSelected = (step: -1 | 1): void => {
  const { layers } = get().selection;
  edit((piece) => withTimingCarried(piece, stepLayers(piece, layers, step)));
};

/** Points to work on: the selected ones, or all of the path. */
const pointsOf = (path: Path): readonly number[] => {
  const { points } = get().selection;
  return points.length > 0 ? points : path.points.map((_, i) => i);
};

/** Changes the path of the one selected stroke by its points in hand (all of them where none are chosen). */
export const editPoints = (change: (path: Path, indices: readonly number[]) => Path, merge?: string): void =>
  editPath((path) => change(path, pointsOf(path)), merge);

export const makeCorner = (): void => editPath((path) => toCorner(path, pointsOf(path)));
export const makeSmooth = (): void => editPath((path) => toSmooth(path, pointsOf(path)));
export const toggleClosed = (): void => editPath((path) => withClosed(path, !path.closed));

/** Sets a switch of strokes; hiding and locking work on locked strokes too. */
export const setFlag = (ids: readonly string[], flag: 'hidden' | 'locked', to: boolean): void =>
  edit((piece) =>
    updateLayers(piece, ids, (layer) => (layer[flag] === to ? layer : { ...layer, [flag]: to })),
  );

export const renameLayer = (id: string, name: string): void =>
  edit((piece) => updateLayers(piece, [id], (layer) => ({ ...layer, name })));

/** Puts the selected layers and groups into a group of their own. */
export function groupSelected(): void {
  const { piece, selection } = get();
  if (selection.layers.length === 0) return;
  const name = freeName('Group', new Set(piece.groups.map((group) => group.name)));
  const group = { id: newId(), name: piece.groups.length === 0 ? 'Group 1' : name };
  edit((p) => groupLayers(p, selection.layers, group));
}

/** Takes the selected group apart; where not all of it can be handed on, it asks first. */
export function ungroupSelected(): void {
  const { piece, selection, frame } = get();
  const whole = wholeGroup(piece, selection.layers);
  if (!whole) {
    if (selection.layers.length > 0)
      notify('Select all of a group to ungroup it: press its lane in the score.');
    return;
  }
  const at = Math.round(frame);
  const apart = (): void => edit((p) => ungroup(p, [whole.id], at));
  const { lost } = takeApart(piece, whole.id, at);
  if (lost.length === 0) return apart();
  ask({
    title: `Ungroup “${whole.name}”?`,
    words: `This can’t be handed on to what is in it: ${lost.join('; ')}. Undo brings the group back.`,
    yes: 'Ungroup',
    run: apart,
  });
}

export const renameGroupTo = (id: string, name: string): void =>
  edit((piece) => renameGroup(piece, id, name));

/** Shows layers alone, or all again where they already are alone. */
export function toggleSolo(ids: readonly string[]): void {
  const { solo } = get();
  const same = ids.length > 0 && ids.every((id) => solo.includes(id));
  useEditor.setState({
    solo: same ? solo.filter((id) => !ids.includes(id)) : [...new Set([...solo, ...ids])],
  });
}

/** Takes up a tool; those that make strokes bring the Trace step along. */
export const takeTool = (tool: Tool): void =>
  useEditor.setState({ tool, ...(tool !== 'select' && tool !== 'hand' && { step: 'trace' as const }) });
