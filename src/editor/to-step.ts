import { usePanelFold } from './panel-fold';
import { useProof } from './proof';
import { useEditor, type Step } from './state';

/** Shows the panel of a step; the proof, which stands in its place, is closed. */
export function toStep(step: Step): void {
  useEditor.setState({ step });
  usePanelFold.setState({ open: true });
  useProof.setState({ open: false, chosen: null });
}
