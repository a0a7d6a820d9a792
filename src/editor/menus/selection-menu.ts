import { lends, strokesOf, wholeGroup, type Borrowed } from '@/core/document';
import { nextToJoin } from '@/core/trace';
import type { MenuEntry } from '@/ui';
import { borrow, copyNow, cutNow, pasteCopied, useCopied } from '../clipboard';
import {
  cutAtCrossings,
  deleteSelected,
  duplicateSelected,
  groupSelected,
  joinSelectedToNext,
  mirrorSelectedKeys,
  reverseSelected,
  reverseSelectedKeys,
  select,
  selectAll,
  selectedLayers,
  setFlag,
  stepSelected,
  toggleSolo,
  ungroupSelected,
  useEditor,
} from '../state';

const get = useEditor.getState;

const paste = (): MenuEntry => ({
  id: 'paste',
  name: 'Paste',
  keys: 'Ctrl V',
  disabled: useCopied.getState().copied === null,
  run: pasteCopied,
});

const BORROWED: Readonly<Record<Borrowed, string>> = { ink: 'Ink', timing: 'Timing', effects: 'Effects' };

/** What can be taken of what was copied, where anything can. */
function borrowed(): MenuEntry[] {
  const { copied } = useCopied.getState();
  const all = (Object.keys(BORROWED) as Borrowed[]).filter((what) => copied && lends(copied, what));
  if (all.length === 0) return [];
  return [
    {
      id: 'borrow',
      name: 'Paste only its',
      entries: all.map((what) => ({ id: what, name: BORROWED[what], run: () => borrow(what) })),
    },
  ];
}

/** What can be done with the keys that are selected. */
const keyEntries = (): MenuEntry[] => [
  { id: 'cut', name: 'Cut', keys: 'Ctrl X', run: cutNow },
  { id: 'copy', name: 'Copy', keys: 'Ctrl C', run: copyNow },
  paste(),
  { id: 'l1', line: true },
  { id: 'reverse', name: 'Reverse in time', keys: 'Alt R', run: reverseSelectedKeys },
  { id: 'mirror', name: 'Mirror values', keys: 'Alt M', run: mirrorSelectedKeys },
  { id: 'l2', line: true },
  { id: 'delete', name: 'Delete keys', keys: 'Delete', run: deleteSelected },
];

/** What can be done with the layers that are selected. */
function layerEntries(): MenuEntry[] {
  const { piece, selection, solo } = get();
  const layers = selectedLayers(get());
  const ids = layers.map((layer) => layer.id);
  const hidden = layers.every((layer) => layer.hidden);
  const locked = layers.every((layer) => layer.locked);
  const alone = ids.every((id) => solo.includes(id));
  const strokes = strokesOf(piece).filter((stroke) => ids.includes(stroke.id));
  const only = strokes.length === 1 && ids.length === 1 ? strokes[0]! : null;
  return [
    { id: 'cut', name: 'Cut', keys: 'Ctrl X', run: cutNow },
    { id: 'copy', name: 'Copy', keys: 'Ctrl C', run: copyNow },
    paste(),
    ...borrowed(),
    { id: 'duplicate', name: 'Duplicate in place', keys: 'Ctrl D', run: duplicateSelected },
    { id: 'l1', line: true },
    { id: 'group', name: 'Group', keys: 'Ctrl G', run: groupSelected },
    {
      id: 'ungroup',
      name: 'Ungroup',
      keys: 'Ctrl Shift G',
      disabled: !wholeGroup(piece, selection.layers),
      run: ungroupSelected,
    },
    { id: 'earlier', name: 'Write earlier', keys: 'Alt Up', run: () => stepSelected(-1) },
    { id: 'later', name: 'Write later', keys: 'Alt Down', run: () => stepSelected(1) },
    {
      id: 'reverse',
      name: 'Reverse the direction',
      keys: 'R',
      disabled: strokes.length === 0,
      run: reverseSelected,
    },
    {
      id: 'join',
      name: strokes.length > 1 ? 'Join in writing order' : 'Join to the next',
      keys: 'Alt J',
      disabled: strokes.length === 0 || (only !== null && !nextToJoin(piece, only.id)),
      run: joinSelectedToNext,
    },
    {
      id: 'cut at crossings',
      name: 'Cut at crossings',
      keys: 'Alt K',
      disabled: !only,
      run: cutAtCrossings,
    },
    { id: 'l2', line: true },
    {
      id: 'hide',
      name: hidden ? 'Show' : 'Hide',
      keys: 'Alt H',
      run: () => setFlag(ids, 'hidden', !hidden),
    },
    {
      id: 'lock',
      name: locked ? 'Unlock' : 'Lock',
      keys: 'Alt L',
      run: () => setFlag(ids, 'locked', !locked),
    },
    {
      id: 'alone',
      name: alone ? 'Show the others again' : 'Show alone',
      keys: 'Alt S',
      run: () => toggleSolo(ids),
    },
    { id: 'l3', line: true },
    { id: 'delete', name: 'Delete', keys: 'Delete', run: deleteSelected },
  ];
}

/** What can be done where nothing is selected. */
const emptyEntries = (): MenuEntry[] => [
  paste(),
  { id: 'all', name: 'Select all', keys: 'Ctrl A', run: selectAll },
];

/** What can be done with what is selected, the same with the same keys wherever it is asked for. */
export function selectionEntries(): MenuEntry[] {
  const { selection } = get();
  if (selection.keys.length > 0) return keyEntries();
  return selection.layers.length > 0 ? layerEntries() : emptyEntries();
}

/** Selects what a menu is opened on, where it is not among what is selected already. */
export function selectForMenu(ids: readonly string[]): void {
  const { selection } = get();
  const among = ids.every((id) => selection.layers.includes(id));
  if (ids.length > 0 && (!among || selection.keys.length > 0))
    select({ layers: [...(among ? selection.layers : ids)] });
}
