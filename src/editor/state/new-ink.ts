import { DEFAULT_INK, layersOf, strokesOf, type Ink, type Piece, type Stroke } from '@/core/document';
import { selectedStrokes, useEditor, type EditorState } from './editor-store';
import { useTools } from './tool-settings';

/** Strokes that others are seen through: they are as wide as uncovering takes, and their colour is not seen. */
function mattes({ layers, groups }: Piece): Set<string> {
  const through = [...layers, ...groups].flatMap((one) => one.reveal?.through ?? []);
  return new Set(through.flatMap((id) => layersOf({ layers, groups }, id)));
}

/**
 * The ink that a stroke gets which is drawn now: the one that was chosen for new strokes, else that of the selected stroke or the
 * last one before it, mattes left out.
 */
export function inkForNew(state: Pick<EditorState, 'piece' | 'selection'> = useEditor.getState()): Ink {
  const { ink } = useTools.getState();
  if (ink) return ink;
  const hidden = mattes(state.piece);
  const seen = (strokes: readonly Stroke[]): Stroke | undefined =>
    strokes.filter((stroke) => !hidden.has(stroke.id)).at(-1);
  return (seen(selectedStrokes(state)) ?? seen(strokesOf(state.piece)))?.ink ?? DEFAULT_INK;
}
