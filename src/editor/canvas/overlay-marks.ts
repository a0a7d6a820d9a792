import { measurePath, pointAtLength, type Bounds, type Point } from '@/core/geometry';
import { strokeById, strokesOf, type Piece, type Stroke } from '@/core/document';
import { SAFE } from '@/core/proof';
import { OVERLAY } from './colours';
import type { gripsOf } from './grips';
import { standing } from './standing';
import type { ToolMarks } from './tools/tool-marks';
import { toScreen, type View } from './view';
import { type Context, tracePathInView, strokeOutlined, drawSquare, drawDot } from './overlay-drawing';

export function drawSafeAreas(context: Context, view: View, size: { width: number; height: number }): void {
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

export function drawToolMarks(
  context: Context,
  view: View,
  { preview, box, says, hairlines, trail }: ToolMarks,
): void {
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
    strokeOutlined(context, 1.6, OVERLAY.head);
  }
  if (preview) {
    tracePathInView(context, view, preview);
    context.setLineDash([4, 4]);
    strokeOutlined(context, 1, OVERLAY.head);
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

/** The keyboard's pointer: two hairlines across the canvas and a ring, filled while it holds something. */
export function drawCrosshair(context: Context, view: View, place: Point, holds: boolean): void {
  const at = toScreen(view, place);
  const { width, height } = context.canvas;
  context.beginPath();
  context.moveTo(0, at.y);
  context.lineTo(at.x - 9, at.y);
  context.moveTo(at.x + 9, at.y);
  context.lineTo(width, at.y);
  context.moveTo(at.x, 0);
  context.lineTo(at.x, at.y - 9);
  context.moveTo(at.x, at.y + 9);
  context.lineTo(at.x, height);
  strokeOutlined(context, 1, OVERLAY.vellum);
  drawDot(context, at, 6, holds ? OVERLAY.head : 'transparent', OVERLAY.head);
}

/** The box of what is placed, the shape of a mask, and what they are changed by. */
export function drawGrips(context: Context, view: View, { lines, grips }: ReturnType<typeof gripsOf>): void {
  for (const places of lines) {
    context.beginPath();
    places.forEach((p, i) => {
      const at = toScreen(view, p);
      if (i) context.lineTo(at.x, at.y);
      else context.moveTo(at.x, at.y);
    });
    strokeOutlined(context, 1, OVERLAY.head);
  }
  // The first has the upper hand where they meet.
  for (const { at, shape } of [...grips].reverse()) {
    const p = toScreen(view, at);
    if (shape === 'square') drawSquare(context, p, 4.2, OVERLAY.vellum, OVERLAY.ink);
    else if (shape === 'dot') drawDot(context, p, 4, OVERLAY.vellum, OVERLAY.ink);
    else if (shape === 'turn') drawDot(context, p, 5, OVERLAY.head, OVERLAY.ink);
    else {
      context.beginPath();
      context.moveTo(p.x - 7, p.y);
      context.lineTo(p.x + 7, p.y);
      context.moveTo(p.x, p.y - 7);
      context.lineTo(p.x, p.y + 7);
      strokeOutlined(context, 1.6, OVERLAY.vellum);
    }
  }
}

/** The closed stroke that is about to become the shape of a mask. */
export function drawChosenShape(context: Context, view: View, stroke: Stroke): void {
  context.beginPath();
  const m = measurePath(standing(stroke).path);
  for (let i = 0; i <= 96; i++) {
    const at = toScreen(view, pointAtLength(m, (m.length * i) / 96));
    if (i) context.lineTo(at.x, at.y);
    else context.moveTo(at.x, at.y);
  }
  context.setLineDash([6, 4]);
  strokeOutlined(context, 2, OVERLAY.caution);
  context.setLineDash([]);
}

/** A place that a finding of the proof is about. */
export function drawFoundPlace(context: Context, view: View, place: Bounds): void {
  const a = toScreen(view, { x: place.left, y: place.top });
  const b = toScreen(view, { x: place.right, y: place.bottom });
  context.setLineDash([5, 4]);
  context.lineWidth = 2;
  context.strokeStyle = OVERLAY.caution;
  context.strokeRect(a.x - 6, a.y - 6, b.x - a.x + 12, b.y - a.y + 12);
  context.setLineDash([]);
}

/** Fine threads from where strokes are awaited to where those that wait begin, of the chosen ones. */
export function drawCueThreads(context: Context, view: View, piece: Piece, chosen: readonly string[]): void {
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
    drawDot(context, from, 3.4, OVERLAY.caution, OVERLAY.ink);
    drawDot(context, to, 2.4, OVERLAY.caution, OVERLAY.ink);
  }
}
