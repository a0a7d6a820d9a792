import { layersOf, wholeGroup, type Piece } from '@/core/document';
import { select, useEditor, type EditorState } from '../state';
import { readAddress, writeAddress } from './address';

/** The address follows so long after the last change, ms: not every frame of playing is a place to come back to. */
const CALM = 350;

/** Layers for the ids of an address: those of layers as they are, for those of groups all that is in them. */
const layersFor = (piece: Piece, ids: readonly string[]): string[] =>
  ids.flatMap((id) => (piece.layers.some((layer) => layer.id === id) ? [id] : layersOf(piece, id)));

/** A whole group is named by its own id, which stays short. */
function namesOf({ piece, selection }: EditorState): readonly string[] {
  const whole = wholeGroup(piece, selection.layers);
  return whole ? [whole.id] : selection.layers;
}

/** Shows what the address of the page says of the piece that is open. */
export function showAddress(): void {
  const { step, frame, selected } = readAddress(window.location.search);
  const { piece } = useEditor.getState();
  useEditor.setState({ step, frame: Math.min(frame, piece.length - 1) });
  const layers = layersFor(piece, selected);
  if (layers.length > 0) select({ layers });
}

/** Keeps step, frame and selection in the address, and the name of the piece in the title; answers how to stop. */
export function watchAddress(): () => void {
  let waiting: ReturnType<typeof setTimeout> | undefined;
  const follow = (): void => {
    const state = useEditor.getState();
    document.title = `${state.piece.name} · Obelus`;
    if (state.playing) return;
    const query = writeAddress({ step: state.step, frame: state.frame, selected: namesOf(state) });
    if (query !== window.location.search)
      window.history.replaceState(null, '', `${window.location.pathname}${query}`);
  };
  follow();
  const unsubscribe = useEditor.subscribe(() => {
    clearTimeout(waiting);
    waiting = setTimeout(follow, CALM);
  });
  return () => {
    clearTimeout(waiting);
    unsubscribe();
  };
}
