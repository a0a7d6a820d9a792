import { inSequence, strokesOf, strokeById } from '@/core/document';
import { edit, select, useEditor } from '../../state';
import { layerAt } from '../hit';
import { useView } from '../view';
import type { CanvasTool } from './tool';

/** Strokes are tapped in the order in which they are to be written; each tap puts one after those tapped before. */
export function orderTool(): CanvasTool {
  let tapped: string[] = [];
  let hover = 'default';
  const strokeUnder = (screen: { x: number; y: number }) => {
    const { piece } = useEditor.getState();
    const layer = layerAt({ ...piece, layers: strokesOf(piece) }, screen, useView.getState());
    return layer && strokeById(piece, layer.id);
  };
  return {
    down(input) {
      const stroke = strokeUnder(input.screen);
      if (!stroke) return;
      if (tapped.includes(stroke.id)) tapped = [];
      tapped = [...tapped, stroke.id];
      const order = tapped;
      edit((piece) => {
        const rest = strokesOf(piece)
          .map((s) => s.id)
          .filter((id) => !order.includes(id));
        return inSequence(piece, [...order, ...rest]);
      });
      select({ layers: [stroke.id] });
    },
    move(input) {
      hover = strokeUnder(input.screen) ? 'pointer' : 'default';
    },
    up: () => undefined,
    cancel() {
      tapped = [];
    },
    leave() {
      tapped = [];
    },
    marks: () => ({ tapped }),
    cursor: () => hover,
  };
}
