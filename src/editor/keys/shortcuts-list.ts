import { fit, removeLastDrawn, runGhost, toggleCrosshair, zoomBy } from '../canvas';
import {
  takeTool,
  deleteSelected,
  duplicateSelected,
  groupSelected,
  ungroupSelected,
  makeCorner,
  makeSmooth,
  mirrorSelectedKeys,
  redo,
  reverseSelected,
  reverseSelectedKeys,
  selectAll,
  showFrame,
  cutAtCrossings,
  joinSelectedToNext,
  splitAtPoint,
  stepSelected,
  toggleClosed,
  toggleSolo,
  undo,
  useEditor,
  useTools,
  type Tool,
} from '../state';
import { STEP_IDS } from '../address';
import { STEP_HELP } from '../help';
import { showProof, useProof } from '../proof';
import { toStep } from '../to-step';
import { togglePlay } from '../playback';
import { fitTime, nextPlayMode } from '../score';
import { arrows, enter, escape, markHere, rangeFrom, toggleFlag } from './key-actions';

export interface Shortcut {
  /** As shown: "Ctrl Z". */
  readonly keys: string;
  readonly name: string;
  readonly group: 'Piece' | 'Tools' | 'Strokes and points' | 'Time' | 'View';
  /** Single letters for tools work only while the canvas has the focus. */
  readonly onCanvas?: true;
  readonly run?: (event: KeyboardEvent) => void;
}

const get = useEditor.getState;
const tool = (to: Tool) => () => takeTool(to);

/** Every key of the editor, in one list: what is shown is what works. */
export const SHORTCUTS: readonly Shortcut[] = [
  { group: 'Piece', keys: 'Ctrl Z', name: 'Undo', run: undo },
  { group: 'Piece', keys: 'Ctrl Shift Z', name: 'Redo', run: redo },
  { group: 'Piece', keys: 'Ctrl Y', name: 'Redo', run: redo },
  { group: 'Piece', keys: 'Ctrl S', name: 'Save now, from anywhere (it saves by itself)' },
  { group: 'Tools', keys: 'V', name: 'Select', onCanvas: true, run: tool('select') },
  { group: 'Tools', keys: 'P', name: 'Pen', onCanvas: true, run: tool('pen') },
  { group: 'Tools', keys: 'F', name: 'Freehand', onCanvas: true, run: tool('freehand') },
  { group: 'Tools', keys: 'U', name: 'Lines and shapes', onCanvas: true, run: tool('shape') },
  { group: 'Tools', keys: 'T', name: 'Set type', onCanvas: true, run: tool('text') },
  { group: 'Tools', keys: 'N', name: 'Tap the writing order', onCanvas: true, run: tool('order') },
  { group: 'Tools', keys: 'D', name: 'Watch the pen: order, direction and lifts', run: runGhost },
  {
    group: 'Tools',
    keys: 'M',
    name: 'Snap on or off (Alt: not while held)',
    onCanvas: true,
    run: () => useTools.setState(({ snapping }) => ({ snapping: !snapping })),
  },
  {
    group: 'Tools',
    keys: 'X',
    name: 'Crosshair: draw and drag by arrows',
    onCanvas: true,
    run: toggleCrosshair,
  },
  { group: 'Tools', keys: 'Ctrl Enter', name: 'With the crosshair: take hold, let go (Enter: press)' },
  { group: 'Tools', keys: 'H', name: 'Pan', onCanvas: true, run: tool('hand') },
  { group: 'Tools', keys: 'Escape', name: 'End the stroke, leave the tool, select nothing', run: escape },
  {
    group: 'Tools',
    keys: 'Enter',
    name: 'End the stroke; use the strokes that were found',
    onCanvas: true,
    run: enter,
  },
  {
    group: 'Strokes and points',
    keys: 'Backspace',
    name: 'Delete; while drawing, take back the last point',
    run: () => (get().drawing ? removeLastDrawn() : deleteSelected()),
  },
  { group: 'Strokes and points', keys: 'Delete', name: 'Delete', run: deleteSelected },
  { group: 'Strokes and points', keys: 'Ctrl A', name: 'Select all strokes, or all points', run: selectAll },
  { group: 'Strokes and points', keys: 'Ctrl D', name: 'Duplicate in place', run: duplicateSelected },
  { group: 'Strokes and points', keys: 'Ctrl C', name: 'Copy keys, else layers (as SVG too)' },
  { group: 'Strokes and points', keys: 'Ctrl X', name: 'Cut' },
  {
    group: 'Strokes and points',
    keys: 'Ctrl V',
    name: 'Paste keys at the playhead, layers, a picture or SVG',
  },
  { group: 'Strokes and points', keys: 'Ctrl G', name: 'Group, also a group in another', run: groupSelected },
  { group: 'Strokes and points', keys: 'Ctrl Shift G', name: 'Ungroup', run: ungroupSelected },
  {
    group: 'Strokes and points',
    keys: 'Alt S',
    name: 'Show alone',
    run: () => toggleSolo(get().selection.layers),
  },
  {
    group: 'Strokes and points',
    keys: 'Arrows',
    name: 'Nudge by 1 px (keys: 1 frame); Shift: ten',
    run: arrows,
  },
  { group: 'Strokes and points', keys: 'C', name: 'Make points corners', onCanvas: true, run: makeCorner },
  { group: 'Strokes and points', keys: 'S', name: 'Make points smooth', onCanvas: true, run: makeSmooth },
  {
    group: 'Strokes and points',
    keys: 'O',
    name: 'Close or open the path',
    onCanvas: true,
    run: toggleClosed,
  },
  {
    group: 'Strokes and points',
    keys: 'R',
    name: 'Reverse the direction',
    onCanvas: true,
    run: reverseSelected,
  },
  {
    group: 'Strokes and points',
    keys: 'K',
    name: 'Split at the chosen point',
    onCanvas: true,
    run: splitAtPoint,
  },
  { group: 'Strokes and points', keys: 'Alt J', name: 'Join to the next stroke', run: joinSelectedToNext },
  { group: 'Strokes and points', keys: 'Alt K', name: 'Cut at crossings', run: cutAtCrossings },
  { group: 'Strokes and points', keys: 'Alt ArrowUp', name: 'Write earlier', run: () => stepSelected(-1) },
  { group: 'Strokes and points', keys: 'Alt ArrowDown', name: 'Write later', run: () => stepSelected(1) },
  { group: 'Strokes and points', keys: 'Alt H', name: 'Hide or show', run: () => toggleFlag('hidden') },
  { group: 'Strokes and points', keys: 'Alt L', name: 'Lock or unlock', run: () => toggleFlag('locked') },
  { group: 'Strokes and points', keys: 'F2', name: 'Rename (in the score)' },
  {
    group: 'Strokes and points',
    keys: 'Alt click',
    name: 'On a point: corner to smooth and back; pen: take out',
  },
  { group: 'Strokes and points', keys: 'Alt drag a layer', name: 'Drag a copy away' },
  {
    group: 'Strokes and points',
    keys: 'Double click',
    name: 'On the path: put a point there; on a text: take a letter',
  },
  { group: 'Time', keys: 'Space', name: 'Play or stop', run: togglePlay },
  { group: 'Time', keys: ',', name: 'One frame back', run: () => showFrame(get().frame - 1) },
  { group: 'Time', keys: '.', name: 'One frame on', run: () => showFrame(get().frame + 1) },
  { group: 'Time', keys: 'Home', name: 'To the first frame', run: () => showFrame(0) },
  { group: 'Time', keys: 'End', name: 'To the last frame', run: () => showFrame(Infinity) },
  {
    group: 'Time',
    keys: 'L',
    name: 'Loop, there and back, or play once',
    run: nextPlayMode,
  },
  {
    group: 'Time',
    keys: 'Q',
    name: 'Onion skin',
    run: () => useEditor.setState(({ onion }) => ({ onion: { ...onion, shown: !onion.shown } })),
  },
  { group: 'Time', keys: 'B', name: 'Marker at the playhead', run: markHere },
  { group: 'Time', keys: '[', name: 'Work range from here', run: () => rangeFrom('from') },
  { group: 'Time', keys: ']', name: 'Work range up to here', run: () => rangeFrom('to') },
  { group: 'Time', keys: 'Alt R', name: 'Reverse the selected keys in time', run: reverseSelectedKeys },
  { group: 'Time', keys: 'Alt M', name: 'Mirror the values of the selected keys', run: mirrorSelectedKeys },
  { group: 'Time', keys: '→', name: 'In the score: into a lane, to its keys; Escape: back to the row' },
  { group: 'Time', keys: 'Ctrl arrows', name: 'On a key in the score: to the next one, or in the next lane' },
  { group: 'Time', keys: 'Alt drag', name: 'In the score: without snapping' },
  { group: 'View', keys: '+', name: 'Zoom in', run: () => zoomBy(1.25) },
  { group: 'View', keys: '-', name: 'Zoom out', run: () => zoomBy(0.8) },
  {
    group: 'View',
    keys: '0',
    name: 'Fit the piece, in space and time',
    run: () => {
      fit(get().piece.size);
      fitTime(get().piece.length);
    },
  },
  {
    group: 'View',
    keys: 'Y',
    name: 'Proof',
    run: () => showProof(!useProof.getState().open),
  },
  ...STEP_IDS.map((id, i): Shortcut => ({
    group: 'View',
    keys: String(i + 1),
    name: `Step ${STEP_HELP[id].name}`,
    run: () => toStep(id),
  })),
  {
    group: 'View',
    keys: 'G',
    name: 'Safe areas',
    run: () => useEditor.setState(({ safeAreas }) => ({ safeAreas: !safeAreas })),
  },
  {
    group: 'View',
    keys: 'W',
    name: 'Strokes as lines only',
    run: () => useEditor.setState(({ linesOnly }) => ({ linesOnly: !linesOnly })),
  },
  {
    group: 'View',
    keys: 'J',
    name: 'Numbers of the writing order',
    run: () => useEditor.setState(({ numbers }) => ({ numbers: !numbers })),
  },
  { group: 'View', keys: 'Space drag', name: 'Pan (on the canvas)' },
  { group: 'View', keys: 'Ctrl wheel', name: 'Zoom to the pointer, on canvas and score' },
  { group: 'View', keys: '?', name: 'This list', run: () => window.dispatchEvent(new Event('obelus:keys')) },
];
