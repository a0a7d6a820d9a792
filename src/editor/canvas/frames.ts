import { isIdentity, type Bounds, type Point } from '@/core/geometry';
import { kindOf, type Underlay } from '@/core/document';
import { singleLayer, type EditorState } from '../state';
import { boundsNow, worldNow } from './standing';

export const underlayBounds = ({ x, y, width, height, scale }: Underlay): Bounds => ({
  left: x,
  top: y,
  right: x + width * scale,
  bottom: y + height * scale,
});

/** What is framed on the canvas and can be sized by its corners: one piece of art or lettering, or an underlay. */
export function framed(
  state: Pick<EditorState, 'piece' | 'selection' | 'underlay' | 'step'>,
): { id: string; bounds: Bounds; locked: boolean } | null {
  const underlay = state.piece.underlays.find((u) => u.id === state.underlay);
  if (underlay) return { id: underlay.id, bounds: underlayBounds(underlay), locked: underlay.locked };
  const layer = singleLayer(state);
  // In the Place step what is chosen has grips of its own; where it stands otherwise than it was made they alone fit.
  if (!layer || !kindOf(layer).hasCorners || state.step === 'place') return null;
  if (!isIdentity(worldNow(layer))) return null;
  const bounds = boundsNow(layer);
  return bounds && { id: layer.id, bounds, locked: layer.locked };
}

/** The corners of a frame, each with the one opposite. */
export const cornersOf = ({ left, top, right, bottom }: Bounds): { at: Point; opposite: Point }[] => [
  { at: { x: left, y: top }, opposite: { x: right, y: bottom } },
  { at: { x: right, y: top }, opposite: { x: left, y: bottom } },
  { at: { x: right, y: bottom }, opposite: { x: left, y: top } },
  { at: { x: left, y: bottom }, opposite: { x: right, y: top } },
];
