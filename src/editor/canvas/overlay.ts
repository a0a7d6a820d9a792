import { strokeById } from '@/core/document';
import { useProof } from '../proof';
import {
  looseEndsOf,
  useLooseEnds,
  useLettersInHand,
  useMaskInHand,
  useTools,
  type EditorState,
  useShapeChoice,
} from '../state';
import { useCrosshair } from './crosshair';
import { useCovering } from '../reveal';
import { useTracing } from '../tracing';
import { framed } from './frames';
import { gripsOf } from './grips';
import {
  drawCoverage,
  drawFrame,
  drawGuidesAndGrid,
  drawInkMask,
  drawLooseEnds,
  drawTraceResult,
} from './overlay-trace';
import { penGhost, usePenGhost } from './pen-ghost';
import type { ToolMarks } from './tools/tool-marks';
import type { View } from './view';
import type { Context } from './overlay-drawing';
import { type Seen, drawHintedPaths, drawOrderNumbers, drawChosenStrokes } from './overlay-strokes';
import {
  drawSafeAreas,
  drawToolMarks,
  drawGrips,
  drawChosenShape,
  drawCrosshair,
  drawFoundPlace,
  drawCueThreads,
} from './overlay-marks';

/** Something that is drawn over the picture to help with the work, and is never exported. */
interface Overlay {
  /** Draws it; true where what it shows is to be seen alone. */
  readonly paint: (seen: Seen) => boolean | void;
  /** Heard for changes, besides the editor and the view: the canvas is painted anew with each. */
  readonly hears?: readonly { readonly subscribe: (listener: () => void) => () => void }[];
}

/** All there is, from the lowest to the topmost. */
export const OVERLAYS: readonly Overlay[] = [
  {
    paint: ({ context, view, state }) => {
      if (state.safeAreas) drawSafeAreas(context, view, state.piece.size);
      // While the piece plays the picture stands alone.
      return state.playing;
    },
  },
  {
    paint: ({ context, view, state }) =>
      drawGuidesAndGrid(context, view, state.piece, useTools.getState().grid),
    hears: [useTools],
  },
  {
    paint({ context, view, state: { piece } }) {
      const { run, ink } = useTracing.getState();
      const inked = ink && piece.underlays.find((underlay) => underlay.id === ink.underlay);
      if (ink && inked) drawInkMask(context, view, ink.mask, inked);
      // What was found stands alone until it is taken or left.
      if (run?.strokes) drawTraceResult(context, view, run.strokes, piece.size);
      return Boolean(run?.strokes);
    },
    hears: [useTracing],
  },
  {
    paint({ context, view, state }) {
      const box = framed(state);
      if (box) drawFrame(context, view, box.bounds, !box.locked && state.tool === 'select');
    },
  },
  { paint: penGhost, hears: [usePenGhost] },
  { paint: drawHintedPaths },
  { paint: drawChosenStrokes },
  { paint: drawOrderNumbers },
  {
    paint({ context, view, state }) {
      const { coverage } = useCovering.getState();
      if (state.step === 'reveal' && coverage) drawCoverage(context, view, coverage, Math.round(state.frame));
    },
    hears: [useCovering],
  },
  {
    paint: ({ context, view, state }) => drawGrips(context, view, gripsOf(state)),
    hears: [useMaskInHand, useLettersInHand],
  },
  {
    paint({ context, view }) {
      const { open, findings, chosen } = useProof.getState();
      const place = open && findings.find((finding) => finding.id === chosen)?.place;
      if (place) drawFoundPlace(context, view, place);
    },
    hears: [useProof],
  },
  {
    paint({ context, view, state }) {
      const shape = useShapeChoice.getState().stroke;
      const drawn = shape === null ? undefined : strokeById(state.piece, shape);
      if (drawn) drawChosenShape(context, view, drawn);
    },
    hears: [useShapeChoice],
  },
  {
    paint({ context, view, state }) {
      if (state.step === 'time') drawCueThreads(context, view, state.piece, state.selection.layers);
    },
  },
  {
    paint({ context, view, state }) {
      const { shown, reach } = useLooseEnds.getState();
      if (shown) drawLooseEnds(context, view, looseEndsOf(state.piece, reach));
    },
    hears: [useLooseEnds],
  },
  { paint: ({ context, view, tool }) => drawToolMarks(context, view, tool) },
  {
    paint({ context, view }) {
      const { at, holds } = useCrosshair.getState();
      if (at) drawCrosshair(context, view, at, holds);
    },
    hears: [useCrosshair],
  },
];

/** Draws everything that helps to work, up to what is to be seen alone. */
export function paintOverlay(context: Context, view: View, state: EditorState, tool: ToolMarks): void {
  OVERLAYS.some(({ paint }) => paint({ context, view, state, tool }) === true);
}
