import { create } from 'zustand';
import type { Point } from '@/core/geometry';
import { arrowSteps } from '@/ui';
import { useEditor, singleStroke, type EditorState } from '../state';
import { strokeById } from '@/core/document';
import { clamp } from '@/core/numbers';
import { panBy, toPiece, toScreen, useView } from './view';

/**
 * The keyboard's pointer: a place of the picture at which keys do to the tool in hand what a pointer would, so that whatever
 * can be drawn and dragged can be drawn and dragged without one.
 */
interface Crosshair {
  /** In piece pixels; null while it is away. */
  readonly at: Point | null;
  /** It holds what lies under it: moving it drags. */
  readonly holds: boolean;
}

export const useCrosshair = create<Crosshair>(() => ({ at: null, holds: false }));

/** So far from the rim of the canvas it is kept in sight, CSS px. */
const RIM = 24;

/** Pans as far as a place needs to be seen. */
function bringIntoSight(at: Point): void {
  const view = useView.getState();
  const { x, y } = toScreen(view, at);
  const { width, height } = view.viewport;
  const by = (place: number, size: number): number =>
    place < RIM ? RIM - place : place > size - RIM ? size - RIM - place : 0;
  const [dx, dy] = [by(x, width), by(y, height)];
  if (dx !== 0 || dy !== 0) panBy(dx, dy);
}

export function moveCrosshair(to: Point): void {
  bringIntoSight(to);
  useCrosshair.setState({ at: to });
}

/** Gives up what it holds: that goes back to where it was. */
export const giveUpHold = (): void => useCrosshair.setState({ holds: false });

export const hideCrosshair = (): void => useCrosshair.setState({ at: null, holds: false });

/** Where it begins: on the point at work, else in the middle of what is seen of the picture. */
function beginning(state: EditorState): Point {
  const { drawing, piece, selection } = state;
  const drawn = drawing && strokeById(piece, drawing.stroke);
  const end = drawn && (drawing.at === 'end' ? drawn.path.points.at(-1) : drawn.path.points[0]);
  const chosen = singleStroke(state)?.path.points[selection.points[0] ?? -1];
  const at = end ?? chosen;
  if (at) return { x: at.x, y: at.y };
  const { viewport, ...view } = useView.getState();
  const [from, to] = [
    toPiece(view, { x: 0, y: 0 }),
    toPiece(view, { x: viewport.width, y: viewport.height }),
  ];
  const middle = (a: number, b: number, size: number) =>
    Math.round((clamp(a, 0, size) + clamp(b, 0, size)) / 2);
  return { x: middle(from.x, to.x, piece.size.width), y: middle(from.y, to.y, piece.size.height) };
}

export const showCrosshair = (): void => moveCrosshair(beginning(useEditor.getState()));

export const toggleCrosshair = (): void => (useCrosshair.getState().at ? hideCrosshair() : showCrosshair());

/** Whether arrows bring it up: something is being drawn, or is about to be. */
export const arrowsDraw = ({ tool, drawing, selection }: EditorState): boolean =>
  drawing !== null || (tool !== 'select' && tool !== 'hand' && selection.layers.length === 0);

/** How far an arrow key takes it, piece px: ten times as far with Shift, a hundred with Ctrl; null for other keys, and with Alt. */
export function crosshairStep(
  event: Pick<KeyboardEvent, 'key' | 'altKey' | 'shiftKey' | 'ctrlKey' | 'metaKey'>,
): Point | null {
  const way = event.altKey ? null : arrowSteps({ key: event.key, shiftKey: false });
  const far = event.ctrlKey || event.metaKey ? 100 : event.shiftKey ? 10 : 1;
  return way && { x: way.x * far, y: -way.y * far };
}
