import {
  measurePath,
  pointAtLength,
  tangentAtLength,
  wholePath,
  type Bounds,
  type Point,
} from '@/core/geometry';
import type { Guide, NearEnd, Piece, Underlay } from '@/core/document';
import { tracePath } from '@/core/paint';
import type { Mask } from '@/core/mask';
import type { Coverage, TracedStroke } from '@/core/trace';
import { OVERLAY } from './colours';
import { toScreen, type View } from './view';

type Context = CanvasRenderingContext2D;

/** Strokes that were found and wait to be taken: numbered, each with its way. */
export function drawTraceResult(
  context: Context,
  view: View,
  strokes: readonly TracedStroke[],
  size: Piece['size'],
): void {
  context.save();
  // What they follow steps back.
  context.fillStyle = 'rgba(15, 12, 8, 0.5)';
  context.fillRect(view.x, view.y, size.width * view.zoom, size.height * view.zoom);
  context.lineCap = 'round';
  context.lineJoin = 'round';
  for (const stroke of strokes) {
    context.save();
    context.transform(view.zoom, 0, 0, view.zoom, view.x, view.y);
    context.beginPath();
    tracePath(context, wholePath(stroke.path));
    context.restore();
    context.lineWidth = 4;
    context.strokeStyle = 'rgba(15, 12, 8, 0.55)';
    context.stroke();
    context.lineWidth = 1.8;
    context.strokeStyle = OVERLAY.tail;
    context.stroke();
  }
  strokes.forEach((stroke, i) => {
    const m = measurePath(stroke.path);
    const at = toScreen(view, stroke.path.points[0]!);
    context.beginPath();
    context.arc(at.x, at.y, 3, 0, Math.PI * 2);
    context.fillStyle = OVERLAY.tail;
    context.fill();
    if (m.length * view.zoom > 30)
      drawArrowAt(context, view, pointAtLength(m, m.length * 0.55), tangentAtLength(m, m.length * 0.55));
    context.font = 'italic 13px "Instrument Serif", serif';
    context.textAlign = 'right';
    context.textBaseline = 'bottom';
    context.lineWidth = 3;
    context.strokeStyle = 'rgba(15, 12, 8, 0.8)';
    context.strokeText(String(i + 1), at.x - 4, at.y - 2);
    context.fillStyle = OVERLAY.vellum;
    context.fillText(String(i + 1), at.x - 4, at.y - 2);
  });
  context.restore();
}

function drawArrowAt(context: Context, view: View, p: Point, t: Point): void {
  const at = toScreen(view, p);
  context.save();
  context.translate(at.x, at.y);
  context.rotate(Math.atan2(t.y, t.x));
  context.beginPath();
  context.moveTo(4, 0);
  context.lineTo(-3, -3.5);
  context.lineTo(-3, 3.5);
  context.closePath();
  context.fillStyle = OVERLAY.tail;
  context.fill();
  context.restore();
}

const maskCanvases = new WeakMap<Mask, HTMLCanvasElement>();

/** Ink as it was told from the paper, in the tail's colour. */
export function drawInkMask(context: Context, view: View, mask: Mask, underlay: Underlay): void {
  let canvas = maskCanvases.get(mask);
  if (!canvas) {
    canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [mask.width, mask.height];
    const on = canvas.getContext('2d')!;
    const image = on.createImageData(mask.width, mask.height);
    for (let i = 0; i < mask.data.length; i++) {
      image.data.set([67, 179, 160, Math.round(mask.data[i]! * 0.8)], 4 * i);
    }
    on.putImageData(image, 0, 0);
    maskCanvases.set(mask, canvas);
  }
  const at = toScreen(view, underlay);
  const k = underlay.scale * view.zoom;
  context.drawImage(canvas, at.x, at.y, underlay.width * k, underlay.height * k);
}

/** The frame of what is selected, with a square at each corner to size it by. */
export function drawFrame(context: Context, view: View, bounds: Bounds, handles: boolean): void {
  const a = toScreen(view, { x: bounds.left, y: bounds.top });
  const b = toScreen(view, { x: bounds.right, y: bounds.bottom });
  context.lineWidth = 1;
  context.strokeStyle = OVERLAY.head;
  context.strokeRect(a.x, a.y, b.x - a.x, b.y - a.y);
  if (!handles) return;
  for (const [x, y] of [
    [a.x, a.y],
    [b.x, a.y],
    [b.x, b.y],
    [a.x, b.y],
  ] as const) {
    context.fillStyle = OVERLAY.vellum;
    context.strokeStyle = OVERLAY.ink;
    context.fillRect(x - 4, y - 4, 8, 8);
    context.strokeRect(x - 4, y - 4, 8, 8);
  }
}

export function drawGuidesAndGrid(context: Context, view: View, piece: Piece, grid: number | null): void {
  const { width, height } = piece.size;
  const a = toScreen(view, { x: 0, y: 0 });
  const b = toScreen(view, { x: width, y: height });
  const line = (axis: Guide['axis'], at: number): void => {
    const p = toScreen(view, { x: at, y: at });
    context.beginPath();
    context.moveTo(axis === 'x' ? p.x : a.x, axis === 'x' ? a.y : p.y);
    context.lineTo(axis === 'x' ? p.x : b.x, axis === 'x' ? b.y : p.y);
    context.stroke();
  };
  context.lineWidth = 1;
  if (grid !== null && grid * view.zoom > 5) {
    context.strokeStyle = OVERLAY.grid;
    for (let x = grid; x < width; x += grid) line('x', x);
    for (let y = grid; y < height; y += grid) line('y', y);
  }
  context.strokeStyle = OVERLAY.guide;
  for (const guide of piece.guides) line(guide.axis, guide.at);
}

/** Ends that nearly meet: a ring round the gap. */
export function drawLooseEnds(context: Context, view: View, ends: readonly NearEnd[]): void {
  for (const { at, to } of ends) {
    const [p, q] = [toScreen(view, at), toScreen(view, to)];
    context.beginPath();
    context.moveTo(p.x, p.y);
    context.lineTo(q.x, q.y);
    context.lineWidth = 1.5;
    context.strokeStyle = OVERLAY.caution;
    context.stroke();
    context.beginPath();
    context.arc((p.x + q.x) / 2, (p.y + q.y) / 2, 9, 0, Math.PI * 2);
    context.stroke();
  }
}

/** Places that stay bare, each with its size, and what is seen too early at a frame. */
export function drawCoverage(context: Context, view: View, coverage: Coverage, frame: number): void {
  const outline = (box: Bounds, dash: number[]): void => {
    const a = toScreen(view, { x: box.left, y: box.top });
    const b = toScreen(view, { x: box.right, y: box.bottom });
    context.setLineDash(dash);
    context.strokeRect(a.x - 3, a.y - 3, b.x - a.x + 6, b.y - a.y + 6);
    context.setLineDash([]);
  };
  context.lineWidth = 1.5;
  context.strokeStyle = OVERLAY.caution;
  context.fillStyle = OVERLAY.caution;
  context.font = '11px "Instrument Sans Variable", sans-serif';
  context.textAlign = 'left';
  context.textBaseline = 'bottom';
  for (const { box, area } of coverage.bare) {
    outline(box, []);
    const at = toScreen(view, { x: box.left, y: box.top });
    context.fillText(`${Math.max(1, Math.round(area))} px²`, at.x - 3, at.y - 5);
  }
  for (const { box, from, to } of coverage.spills) if (frame >= from && frame < to) outline(box, [2, 3]);
}
