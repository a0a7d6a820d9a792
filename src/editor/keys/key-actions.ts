import { putMarker, removeMarker, setWorkRange } from '@/core/document';
import { arrowsDraw, finishDrawing, showCrosshair, stopGhost, usePenGhost } from '../canvas';
import {
  edit,
  letLettersGo,
  lettersInHand,
  nudgeKeys,
  nudgeSelected,
  select,
  selectedStrokes,
  setFlag,
  showFrame,
  useEditor,
} from '../state';
import { leaveTrace, takeTrace, useTracing } from '../tracing';

const get = useEditor.getState;
/** Hides or shows, locks or unlocks the selected strokes. */
export const toggleFlag = (flag: 'hidden' | 'locked'): void => {
  const strokes = selectedStrokes(get());
  setFlag(
    strokes.map((stroke) => stroke.id),
    flag,
    !strokes.every((stroke) => stroke[flag]),
  );
};

const canvasHasFocus = (): boolean => document.activeElement?.matches('[data-canvas]') === true;

/** Arrow keys: the crosshair where something is drawn, else keys, layers, or the frame shown. */
export const arrows = (event: KeyboardEvent): void => {
  const far = event.shiftKey ? 10 : 1;
  const x = { ArrowLeft: -far, ArrowRight: far }[event.key] ?? 0;
  const y = { ArrowUp: -far, ArrowDown: far }[event.key] ?? 0;
  if (canvasHasFocus() && arrowsDraw(get())) showCrosshair();
  else if (get().selection.keys.length > 0) {
    if (x !== 0) nudgeKeys(x);
  } else if (get().selection.layers.length > 0) nudgeSelected({ x, y });
  else if (x !== 0) showFrame(get().frame + x);
};

/** Leaves what is going on, the innermost first. */
export const escape = (): void => {
  const { drawing, tool: now, selection } = get();
  if (usePenGhost.getState().ghost) stopGhost();
  else if (useTracing.getState().run) leaveTrace();
  else if (drawing) finishDrawing();
  else if (now !== 'select') useEditor.setState({ tool: 'select' });
  else if (lettersInHand(get())) letLettersGo();
  else if (selection.keys.length > 0 || selection.points.length > 0) select({ layers: selection.layers });
  else select({});
};

/** Puts a marker at the frame shown, or takes away the one there. */
export const markHere = (): void => {
  const frame = Math.round(get().frame);
  edit((piece) =>
    piece.markers.some((marker) => marker.frame === frame)
      ? removeMarker(piece, frame)
      : putMarker(piece, { frame, name: `Marker ${piece.markers.length + 1}` }),
  );
};

/** Lets the work range begin or end at the frame shown; one that would be turned round begins anew. */
export const rangeFrom = (end: 'from' | 'to'): void => {
  const frame = Math.round(get().frame);
  edit((piece) => {
    const last = piece.length - 1;
    const now = piece.workRange ?? { from: 0, to: last };
    const next =
      end === 'from'
        ? { from: frame, to: now.to > frame ? now.to : last }
        : { from: now.from < frame ? now.from : 0, to: frame };
    return next.to > next.from ? setWorkRange(piece, next) : piece;
  });
};

/** Ends the stroke, or uses the strokes that were found. */
export const enter = (): void => {
  if (useTracing.getState().run?.strokes) takeTrace();
  else finishDrawing();
};
