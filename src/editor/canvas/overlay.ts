import {
  norm,
  measurePath,
  pointAtLength,
  tangentAtLength,
  wholePath,
  type Bounds,
  type Path,
  type Point,
} from '@/core/geometry';
import { inkedLengths } from '@/core/ink';
import { strokeById, strokesOf, windowAt, type Piece, type Stroke } from '@/core/document';
import { tracePath } from '@/core/paint';
import { SAFE } from '@/core/proof';
import { inkedLength } from '@/core/scene';
import { useProof } from '../proof/proof-state';
import { looseEndsOf, useLooseEnds, useTools, type EditorState } from '../state';
import { useCovering } from '../reveal/cover-state';
import { useTracing } from '../tracing/trace-state';
import { OVERLAY } from './colours';
import { framed } from './frames';
import { gripsOf } from './grips';
import {
  coverMarks,
  frame as drawFrame,
  guidesAndGrid,
  inkMask,
  looseEnds,
  traceResult,
} from './overlay-trace';
import { standing } from './standing';
import type { ToolMarks } from './tools/tool-marks';
import { toScreen, type View } from './view';

type Context = CanvasRenderingContext2D;

function line(context: Context, view: View, path: Path): void {
  context.save();
  context.transform(view.zoom, 0, 0, view.zoom, view.x, view.y);
  context.beginPath();
  tracePath(context, wholePath(path));
  context.restore();
}

function outlined(context: Context, width: number, colour: string): void {
  // A dark hairline under the light one keeps it visible on any picture.
  context.lineWidth = width + 2;
  context.strokeStyle = 'rgba(15, 12, 8, 0.55)';
  context.stroke();
  context.lineWidth = width;
  context.strokeStyle = colour;
  context.stroke();
}

function square(context: Context, p: Point, half: number, fill: string, edge: string): void {
  context.fillStyle = fill;
  context.strokeStyle = edge;
  context.lineWidth = 1.5;
  context.beginPath();
  context.roundRect(p.x - half, p.y - half, half * 2, half * 2, 1.5);
  context.fill();
  context.stroke();
}

function dot(context: Context, p: Point, radius: number, fill: string, edge: string): void {
  context.beginPath();
  context.arc(p.x, p.y, radius, 0, Math.PI * 2);
  context.fillStyle = fill;
  context.fill();
  context.lineWidth = 1.5;
  context.strokeStyle = edge;
  context.stroke();
}

/** A small arrow on the path, in the direction it is written. */
function arrow(context: Context, view: View, path: Path, colour: string): void {
  const m = measurePath(path);
  if (m.length * view.zoom < 40) return;
  const at = toScreen(view, pointAtLength(m, m.length / 2));
  const t = tangentAtLength(m, m.length / 2);
  context.save();
  context.translate(at.x, at.y);
  context.rotate(Math.atan2(t.y, t.x));
  context.beginPath();
  context.moveTo(5, 0);
  context.lineTo(-4, -4.5);
  context.lineTo(-4, 4.5);
  context.closePath();
  context.fillStyle = colour;
  context.strokeStyle = OVERLAY.ink;
  context.lineWidth = 1;
  context.fill();
  context.stroke();
  context.restore();
}

/** Strokes shorter than this on screen, px, are numbered in small. */
const SHORT = 110;

/** More strokes than this are not all hinted at and numbered, but where their paths are worked on. */
const CROWD = 60;

/** Many strokes shorter than this on screen, px, are numbered in plain small figures: discs would hide them. */
const TINY = 46;
const MANY = 20;

function tinyBadge(context: Context, view: View, stroke: Stroke, order: number): void {
  const first = toScreen(view, stroke.path.points[0]!);
  context.font = '9px "Instrument Sans Variable", sans-serif';
  context.textAlign = 'right';
  context.textBaseline = 'bottom';
  context.lineWidth = 2.5;
  context.strokeStyle = 'rgba(21, 18, 14, 0.7)';
  context.strokeText(String(order), first.x - 1, first.y - 1);
  context.fillStyle = OVERLAY.vellum;
  context.fillText(String(order), first.x - 1, first.y - 1);
}

/** The order number, set off from the first point against the direction of writing. */
function badge(context: Context, view: View, stroke: Stroke, order: number, selected: boolean): void {
  const m = measurePath(stroke.path);
  const first = toScreen(view, stroke.path.points[0]!);
  const t = m.length > 0 ? tangentAtLength(m, 0) : { x: 1, y: 0 };
  const text = String(order);
  // Short strokes get a small number, so that a line of little letters stays legible.
  const size = selected || m.length * view.zoom > SHORT ? 14 : 11;
  const away = size * 1.2;
  const p = { x: first.x - t.x * away, y: first.y - t.y * away };
  const edge = selected ? OVERLAY.head : 'rgba(237, 230, 216, 0.5)';
  dot(context, p, size * (text.length > 2 ? 0.85 : 0.68), 'rgba(21, 18, 14, 0.78)', edge);
  context.font = `italic ${size}px "Instrument Serif", serif`;
  context.textAlign = 'center';
  context.textBaseline = 'middle';
  context.fillStyle = selected ? OVERLAY.head : OVERLAY.vellum;
  context.fillText(text, p.x - 0.5, p.y + 0.5);
}

/** The two ends of the ink: a minium nib for the head, a verdigris dot for the tail. */
function ends(context: Context, view: View, stroke: Stroke, frame: number): void {
  const m = measurePath(stroke.path);
  const inked = inkedLengths(windowAt(stroke, frame), m.length, stroke.path.closed);
  if (!inked || m.length === 0) return;
  const along = (s: number) => (stroke.path.closed && s > m.length ? s - m.length : s);
  dot(context, toScreen(view, pointAtLength(m, along(inked.from))), 4.5, OVERLAY.tail, OVERLAY.ink);
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

function pointsAndHandles(context: Context, view: View, path: Path, chosen: readonly number[]): void {
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
      outlined(context, 1, OVERLAY.vellum);
      dot(context, tip, 3.6, OVERLAY.vellum, OVERLAY.ink);
    }
  }
  path.points.forEach((p, i) => {
    const at = toScreen(view, p);
    const picked = chosen.includes(i);
    if (p.kind === 'smooth') dot(context, at, 4.6, picked ? OVERLAY.head : OVERLAY.ink, OVERLAY.vellum);
    else square(context, at, 4.2, picked ? OVERLAY.head : OVERLAY.ink, OVERLAY.vellum);
  });
}

function safeAreas(context: Context, view: View, size: { width: number; height: number }): void {
  context.lineWidth = 1;
  context.strokeStyle = OVERLAY.safe;
  for (const [name, share] of Object.entries(SAFE)) {
    const [w, h] = [size.width * share * view.zoom, size.height * share * view.zoom];
    const x = view.x + (size.width * view.zoom - w) / 2;
    const y = view.y + (size.height * view.zoom - h) / 2;
    context.setLineDash(name === 'action' ? [2, 4] : [6, 4]);
    context.strokeRect(x, y, w, h);
    context.setLineDash([]);
    context.font = '11px "Instrument Sans Variable", sans-serif';
    context.textAlign = 'left';
    context.fillStyle = OVERLAY.safe;
    // The outer one is named outside, the inner one inside: between them there is no room.
    context.textBaseline = name === 'action' ? 'top' : 'bottom';
    context.fillText(`${name} ${share * 100} %`, x + 6, y + h + (name === 'action' ? 3 : -4));
  }
}

function marks(context: Context, view: View, { preview, box, says, hairlines, trail }: ToolMarks): void {
  for (const [from, to] of hairlines ?? []) {
    const [a, b] = [toScreen(view, from), toScreen(view, to)];
    context.beginPath();
    context.moveTo(a.x, a.y);
    context.lineTo(b.x, b.y);
    context.lineWidth = 1;
    context.strokeStyle = OVERLAY.tail;
    context.stroke();
  }
  if (trail && trail.length > 1) {
    context.beginPath();
    trail.forEach((p, i) => {
      const at = toScreen(view, p);
      if (i) context.lineTo(at.x, at.y);
      else context.moveTo(at.x, at.y);
    });
    outlined(context, 1.6, OVERLAY.head);
  }
  if (preview) {
    line(context, view, preview);
    context.setLineDash([4, 4]);
    outlined(context, 1, OVERLAY.head);
    context.setLineDash([]);
  }
  if (box) {
    const a = toScreen(view, box.from);
    const b = toScreen(view, box.to);
    context.fillStyle = 'rgba(255, 107, 61, 0.08)';
    context.strokeStyle = OVERLAY.head;
    context.lineWidth = 1;
    context.fillRect(a.x, a.y, b.x - a.x, b.y - a.y);
    context.strokeRect(a.x, a.y, b.x - a.x, b.y - a.y);
  }
  if (says) {
    const at = toScreen(view, says.at);
    context.font = '12px "Instrument Sans Variable", sans-serif';
    const width = context.measureText(says.text).width + 14;
    context.fillStyle = 'rgba(21, 18, 14, 0.9)';
    context.beginPath();
    context.roundRect(at.x + 14, at.y + 14, width, 22, 5);
    context.fill();
    context.textAlign = 'left';
    context.textBaseline = 'middle';
    context.fillStyle = OVERLAY.vellum;
    context.fillText(says.text, at.x + 21, at.y + 25.5);
  }
}

/** The box of what is placed, the shape of a mask, and what they are changed by. */
function drawGrips(context: Context, view: View, { lines, grips }: ReturnType<typeof gripsOf>): void {
  for (const places of lines) {
    context.beginPath();
    places.forEach((p, i) => {
      const at = toScreen(view, p);
      if (i) context.lineTo(at.x, at.y);
      else context.moveTo(at.x, at.y);
    });
    outlined(context, 1, OVERLAY.head);
  }
  // The first has the upper hand where they meet.
  for (const { at, shape } of [...grips].reverse()) {
    const p = toScreen(view, at);
    if (shape === 'square') square(context, p, 4.2, OVERLAY.vellum, OVERLAY.ink);
    else if (shape === 'dot') dot(context, p, 4, OVERLAY.vellum, OVERLAY.ink);
    else if (shape === 'turn') dot(context, p, 5, OVERLAY.head, OVERLAY.ink);
    else {
      context.beginPath();
      context.moveTo(p.x - 7, p.y);
      context.lineTo(p.x + 7, p.y);
      context.moveTo(p.x, p.y - 7);
      context.lineTo(p.x, p.y + 7);
      outlined(context, 1.6, OVERLAY.vellum);
    }
  }
}

/** A place that a finding of the proof is about. */
function foundPlace(context: Context, view: View, place: Bounds): void {
  const a = toScreen(view, { x: place.left, y: place.top });
  const b = toScreen(view, { x: place.right, y: place.bottom });
  context.setLineDash([5, 4]);
  context.lineWidth = 2;
  context.strokeStyle = OVERLAY.caution;
  context.strokeRect(a.x - 6, a.y - 6, b.x - a.x + 12, b.y - a.y + 12);
  context.setLineDash([]);
}

/** Fine threads from where strokes are awaited to where those that wait begin, of the chosen ones. */
function cueThreads(context: Context, view: View, piece: Piece, chosen: readonly string[]): void {
  for (const stroke of strokesOf(piece)) {
    const { cue } = stroke;
    const leader = cue && strokeById(piece, cue.to);
    if (!cue || !leader || stroke.hidden || leader.hidden) continue;
    if (!chosen.includes(stroke.id) && !chosen.includes(leader.id)) continue;
    const m = measurePath(leader.path);
    const own = measurePath(stroke.path);
    const from = toScreen(view, pointAtLength(m, cue.at * m.length));
    const to = toScreen(view, pointAtLength(own, cue.ties === 'arrival' ? own.length : 0));
    const away = { x: to.x - from.x, y: to.y - from.y };
    context.beginPath();
    context.moveTo(from.x, from.y);
    // A slack thread: it hangs aside by a share of its length, so that it is never taken for a path.
    context.quadraticCurveTo(
      from.x + away.x / 2 - away.y * 0.18,
      from.y + away.y / 2 + away.x * 0.18,
      to.x,
      to.y,
    );
    context.setLineDash([1, 3]);
    context.lineCap = 'round';
    context.lineWidth = 1.6;
    context.strokeStyle = OVERLAY.caution;
    context.stroke();
    context.setLineDash([]);
    context.lineCap = 'butt';
    dot(context, from, 3.4, OVERLAY.caution, OVERLAY.ink);
    dot(context, to, 2.4, OVERLAY.caution, OVERLAY.ink);
  }
}

/** A great many chosen strokes: their paths alone, in one go. */
function crowd(context: Context, view: View, strokes: readonly Stroke[]): void {
  context.save();
  context.transform(view.zoom, 0, 0, view.zoom, view.x, view.y);
  context.beginPath();
  for (const { path } of strokes) tracePath(context, wholePath(path));
  context.restore();
  context.lineWidth = 1;
  context.strokeStyle = OVERLAY.head;
  context.stroke();
}

/** Draws everything that helps to work and is never exported. While the piece plays the picture stands alone. */
export function paintOverlay(context: Context, view: View, state: EditorState, tool: ToolMarks): void {
  if (state.safeAreas) safeAreas(context, view, state.piece.size);
  if (state.playing) return;
  const { piece, selection, frame } = state;
  guidesAndGrid(context, view, piece, useTools.getState().grid);
  const { run, ink } = useTracing.getState();
  const inked = ink && piece.underlays.find((underlay) => underlay.id === ink.underlay);
  if (ink && inked) inkMask(context, view, ink.mask, inked);
  if (run?.strokes) {
    // What was found stands alone until it is taken or left.
    traceResult(context, view, run.strokes, piece.size);
    return;
  }
  const box = framed(state);
  if (box) drawFrame(context, view, box.bounds, !box.locked && state.tool === 'select');
  const strokes = strokesOf(piece).map(standing);
  const away = (layer: Stroke): boolean =>
    layer.hidden || (state.solo.length > 0 && !state.solo.includes(layer.id));
  const chosen = strokes.filter((layer) => selection.layers.includes(layer.id) && !away(layer));
  // So many paths would hide the picture, and take longer to draw than it.
  const hinted = strokes.length <= CROWD || state.linesOnly || state.step === 'trace';
  for (const layer of hinted ? strokes : []) {
    if (away(layer) || chosen.includes(layer)) continue;
    const inked = inkedLength(layer, frame) / Math.max(1, measurePath(layer.path).length);
    // Ink shows where the stroke lies; what is not inked now is shown by its path.
    if (inked > 0.999 && !state.linesOnly) continue;
    line(context, view, layer.path);
    context.lineWidth = 1;
    context.strokeStyle = state.linesOnly ? OVERLAY.vellum : OVERLAY.faint;
    context.setLineDash(state.linesOnly ? [] : [3, 4]);
    context.stroke();
    context.setLineDash([]);
  }
  strokes.forEach((layer, i) => {
    if (away(layer) || chosen.includes(layer)) return;
    const short = measurePath(layer.path).length * view.zoom < TINY;
    if (short && strokes.length > MANY && !tool.tapped) {
      // So close together they are of use only to whoever works on the strokes.
      if (state.step === 'trace') tinyBadge(context, view, layer, i + 1);
      return;
    }
    if (strokes.length > CROWD && state.step !== 'trace' && !tool.tapped) return;
    badge(context, view, layer, i + 1, tool.tapped?.includes(layer.id) === true);
  });
  // Where ink is chosen it must be seen: its path is then only hinted at.
  // What is placed is seen in its box; its strokes would only hide it.
  const placing = state.step === 'place' && state.tool === 'select';
  const quiet = state.step === 'ink' && state.tool === 'select' && selection.points.length === 0;
  const worked = placing ? [] : chosen;
  if (worked.length > CROWD && !state.base) crowd(context, view, worked);
  for (const layer of worked.length > CROWD ? [] : worked) {
    line(context, view, layer.path);
    if (quiet) {
      context.lineWidth = 1;
      context.strokeStyle = OVERLAY.head;
      context.setLineDash([2, 6]);
      context.stroke();
      context.setLineDash([]);
    } else {
      outlined(context, 1.2, OVERLAY.head);
      arrow(context, view, layer.path, OVERLAY.head);
    }
    badge(context, view, layer, strokes.indexOf(layer) + 1, true);
  }
  if (chosen.length === 1 && !chosen[0]!.locked && !quiet && state.step !== 'place') {
    pointsAndHandles(context, view, chosen[0]!.path, shownHandles(chosen[0]!, state));
  }
  if (!quiet && worked.length <= CROWD) for (const layer of worked) ends(context, view, layer, frame);
  const { coverage } = useCovering.getState();
  if (state.step === 'reveal' && coverage) coverMarks(context, view, coverage, Math.round(frame));
  drawGrips(context, view, gripsOf(state));
  const { open, findings, chosen: found } = useProof.getState();
  const place = open && findings.find((finding) => finding.id === found)?.place;
  if (place) foundPlace(context, view, place);
  if (state.step === 'time') cueThreads(context, view, piece, selection.layers);
  const { shown, reach } = useLooseEnds.getState();
  if (shown) looseEnds(context, view, looseEndsOf(piece, reach));
  marks(context, view, tool);
}

/** Points whose handles are shown: the selected ones and, while the pen draws, the last one drawn. */
export function shownHandles(stroke: Stroke, { selection, drawing }: EditorState): readonly number[] {
  if (drawing?.stroke !== stroke.id) return selection.points;
  return [drawing.at === 'end' ? stroke.path.points.length - 1 : 0];
}
