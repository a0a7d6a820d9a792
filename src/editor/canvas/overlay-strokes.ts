import { norm, measurePath, pointAtLength, tangentAtLength, type Path } from '@/core/geometry';
import { inkedLengths } from '@/core/ink';
import { strokesOf, windowAt, type Stroke } from '@/core/document';
import { inkedLength } from '@/core/scene';
import { isDragged, type EditorState } from '../state';
import { OVERLAY } from './colours';
import { keptDrawing } from './kept-drawing';
import type { Taken } from './number-places';
import { standing } from './standing';
import type { ToolMarks } from './tools/tool-marks';
import { toScreen, type View } from './view';
import {
  type Context,
  tracePathInView,
  strokeOutlined,
  drawSquare,
  drawDot,
  drawArrow,
} from './overlay-drawing';
import { CROWD, TINY, MANY, drawTinyBadges, drawBadges, drawCrowd, type Badge } from './overlay-badges';

/** The two ends of the ink: a minium nib for the head, a verdigris dot for the tail. */
function drawEnds(context: Context, view: View, stroke: Stroke, frame: number): void {
  const m = measurePath(stroke.path);
  const inked = inkedLengths(windowAt(stroke, frame), m.length, stroke.path.closed);
  if (!inked || m.length === 0) return;
  const along = (s: number) => (stroke.path.closed && s > m.length ? s - m.length : s);
  drawDot(context, toScreen(view, pointAtLength(m, along(inked.from))), 4.5, OVERLAY.tail, OVERLAY.ink);
  const head = toScreen(view, pointAtLength(m, along(inked.to)));
  const t = tangentAtLength(m, along(inked.to));
  context.save();
  context.translate(head.x, head.y);
  context.rotate(Math.atan2(t.y, t.x));
  context.beginPath();
  context.moveTo(12, 0);
  context.quadraticCurveTo(2, -1, -3, -6);
  context.quadraticCurveTo(-6, 0, -3, 6);
  context.quadraticCurveTo(2, 1, 12, 0);
  context.closePath();
  context.fillStyle = OVERLAY.head;
  context.strokeStyle = OVERLAY.ink;
  context.lineWidth = 1.2;
  context.fill();
  context.stroke();
  context.restore();
}

function drawPointsAndHandles(context: Context, view: View, path: Path, chosen: readonly number[]): void {
  for (const i of chosen) {
    const p = path.points[i];
    if (!p) continue;
    const at = toScreen(view, p);
    for (const side of ['in', 'out'] as const) {
      if (norm(p[side]) === 0) continue;
      const tip = toScreen(view, { x: p.x + p[side].x, y: p.y + p[side].y });
      context.beginPath();
      context.moveTo(at.x, at.y);
      context.lineTo(tip.x, tip.y);
      strokeOutlined(context, 1, OVERLAY.vellum);
      drawDot(context, tip, 3.6, OVERLAY.vellum, OVERLAY.ink);
    }
  }
  path.points.forEach((p, i) => {
    const at = toScreen(view, p);
    const picked = chosen.includes(i);
    if (p.kind === 'smooth') drawDot(context, at, 4.6, picked ? OVERLAY.head : OVERLAY.ink, OVERLAY.vellum);
    else drawSquare(context, at, 4.2, picked ? OVERLAY.head : OVERLAY.ink, OVERLAY.vellum);
  });
}

/** What an overlay is drawn of. */
export interface Seen {
  readonly context: Context;
  readonly view: View;
  readonly state: EditorState;
  readonly tool: ToolMarks;
}

const isAway = (state: EditorState, layer: Stroke): boolean =>
  layer.hidden || (state.solo.length > 0 && !state.solo.includes(layer.id));

/** The strokes as they stand, those that are chosen, and those of them that are worked on at their paths. */
function strokesSeen(state: EditorState) {
  const { piece, selection } = state;
  const strokes = strokesOf(piece).map(standing);
  const chosen = strokes.filter((layer) => selection.layers.includes(layer.id) && !isAway(state, layer));
  // What is placed is seen in its box; its strokes would only hide it.
  const placing = state.step === 'place' && state.tool === 'select';
  // Where ink is chosen it must be seen: its path is then only hinted at.
  const quiet = state.step === 'ink' && state.tool === 'select' && selection.points.length === 0;
  return { strokes, chosen, worked: placing ? [] : chosen, quiet };
}

const keptHints = keptDrawing<void>();
const keptNumbers = keptDrawing<readonly Taken[]>();

const viewOf = ({ x, y, zoom }: View): number[] => [x, y, zoom];

/** Paths of strokes whose ink is not there now. */
export function drawHintedPaths({ context, view, state }: Seen): void {
  const { strokes, chosen } = strokesSeen(state);
  const { frame, linesOnly, step } = state;
  // So many paths would hide the picture, and take longer to draw than it.
  if (strokes.length > CROWD && !linesOnly && step !== 'trace') return;
  // Ink shows where a stroke lies; what is not inked now is shown by its path.
  const isInked = (layer: Stroke): boolean =>
    inkedLength(layer, frame) > 0.999 * Math.max(1, measurePath(layer.path).length);
  const hinted = strokes.filter(
    (layer) => !isAway(state, layer) && !chosen.includes(layer) && (linesOnly || !isInked(layer)),
  );
  // From frame to frame they are mostly the same strokes.
  keptHints(context, [...viewOf(view), linesOnly, ...hinted], (onto) => {
    onto.lineWidth = 1;
    onto.strokeStyle = linesOnly ? OVERLAY.vellum : OVERLAY.faint;
    onto.setLineDash(linesOnly ? [] : [3, 4]);
    for (const layer of hinted) {
      tracePathInView(onto, view, layer.path);
      onto.stroke();
    }
    onto.setLineDash([]);
  });
}

/** Numbers in the writing order. Those of chosen strokes make way for the others, which stay where they are. */
export function drawOrderNumbers({ context, view, state, tool }: Seen): void {
  const { tapped } = tool;
  if (!state.numbers && !tapped) return;
  const { strokes, chosen, worked } = strokesSeen(state);
  const [plain, small, standOut]: [Badge[], Badge[], Badge[]] = [[], [], []];
  strokes.forEach((stroke, i) => {
    if (isAway(state, stroke)) return;
    const badge = { stroke, order: i + 1, selected: false };
    if (chosen.includes(stroke)) {
      if (worked.length > 0 && worked.length <= CROWD) standOut.push({ ...badge, selected: true });
    } else if (strokes.length > MANY && !tapped && measurePath(stroke.path).length * view.zoom < TINY) {
      // So close together they are of use only to whoever works on the strokes.
      if (state.step === 'trace') small.push(badge);
    } else if (tapped?.includes(stroke.id)) standOut.push({ ...badge, selected: true });
    else if (strokes.length <= CROWD || state.step === 'trace' || tapped) plain.push(badge);
  });
  const from = [...small, null, ...plain].flatMap((badge) => (badge ? [badge.stroke, badge.order] : [null]));
  const taken = keptNumbers(context, [...viewOf(view), ...from], (onto) => {
    drawTinyBadges(onto, view, small);
    return drawBadges(onto, view, plain);
  });
  drawBadges(context, view, standOut, taken ?? []);
}

/** The chosen strokes with what can be taken hold of. */
export function drawChosenStrokes({ context, view, state }: Seen): void {
  const { chosen, worked, quiet } = strokesSeen(state);
  if (worked.length > CROWD && !isDragged(state)) drawCrowd(context, view, worked);
  for (const layer of worked.length > CROWD ? [] : worked) {
    tracePathInView(context, view, layer.path);
    if (quiet) {
      context.lineWidth = 1;
      context.strokeStyle = OVERLAY.head;
      context.setLineDash([2, 6]);
      context.stroke();
      context.setLineDash([]);
    } else {
      strokeOutlined(context, 1.2, OVERLAY.head);
      drawArrow(context, view, layer.path, OVERLAY.head);
    }
  }
  const [only, ...more] = chosen;
  if (only && more.length === 0 && !only.locked && !quiet && state.step !== 'place')
    drawPointsAndHandles(context, view, only.path, shownHandles(only, state));
  if (!quiet && worked.length <= CROWD)
    for (const layer of worked) drawEnds(context, view, layer, state.frame);
}

/** Points whose handles are shown: the selected ones and, while the pen draws, the last one drawn. */
export function shownHandles(stroke: Stroke, { selection, drawing }: EditorState): readonly number[] {
  if (drawing?.stroke !== stroke.id) return selection.points;
  return [drawing.at === 'end' ? stroke.path.points.length - 1 : 0];
}
