import { addLayers, changed, newStroke, strokesOf } from '@/core/document';
import { penStroke, type PenSample } from '@/core/pen';
import { edit, newId, select, inkForNew, useEditor, useTools } from '../../state';
import { useView } from '../view';
import type { CanvasTool, PointerInput } from './tool';

const sampleOf = ({ point, pressure, time, tiltX, tiltY }: PointerInput): PenSample => ({
  ...point,
  pressure,
  time,
  tiltX,
  tiltY,
});

/** Draws as the hand moves; the line is corrected as chosen when the pen is lifted. */
export function freehandTool(): CanvasTool {
  let samples: PenSample[] | null = null;
  return {
    down(input) {
      samples = [sampleOf(input)];
    },
    move(input, pressed) {
      if (pressed) samples?.push(sampleOf(input));
    },
    up(input) {
      if (!samples) return;
      samples.push(sampleOf(input));
      const drawn = samples;
      samples = null;
      const { correction, pressure } = useTools.getState();
      const { path, widths, hand } = penStroke(drawn, correction, 1 / useView.getState().zoom);
      const { piece } = useEditor.getState();
      const id = newId();
      const ink = changed(inkForNew(), { widths: (pressure && widths) || undefined });
      const stroke = { ...newStroke(id, `Stroke ${strokesOf(piece).length + 1}`, path, ink), hand };
      edit((p) => addLayers(p, [stroke]));
      select({ layers: [id] });
    },
    cancel() {
      samples = null;
    },
    marks: () => ({ ...(samples && { trail: samples }) }),
    cursor: () => 'crosshair',
  };
}
