import { movePin } from '@/core/document';
import { valueAt } from '@/core/timing';
import { editFromBase, type EditorState } from '../../state';
import { NO_GRIPS, type Grip, type Grips } from './grip';

/** The pins of a piece, each to be dragged where it is to be at the frame shown. */
export function pinGrips({ piece, step, tool, frame: shown }: EditorState): Grips {
  if (step !== 'place' || tool !== 'select') return NO_GRIPS;
  const frame = Math.round(shown);
  const grips = piece.pins.map((pin): Grip => {
    const at = { x: valueAt(pin.x, frame), y: valueAt(pin.y, frame) };
    return {
      at,
      shape: 'turn',
      cursor: 'move',
      take: (from) => (to) => {
        const p = { x: at.x + to.point.x - from.point.x, y: at.y + to.point.y - from.point.y };
        editFromBase((now) => movePin(now, pin.id, frame, p));
        return `${pin.name} ${Math.round(p.x)}, ${Math.round(p.y)} px`;
      },
    };
  });
  return { lines: [], grips };
}
