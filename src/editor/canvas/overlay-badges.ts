import { measurePath, tangentAtLength, wholePath } from '@/core/geometry';
import type { Stroke } from '@/core/document';
import { tracePath } from '@/core/paint';
import { OVERLAY } from './colours';
import { toScreen, type View } from './view';
import { type Context, dot } from './overlay-drawing';

/** Strokes shorter than this on screen, px, are numbered in small. */
const SHORT = 110;

/** More strokes than this are not all hinted at and numbered, but where their paths are worked on. */
export const CROWD = 60;

/** Many strokes shorter than this on screen, px, are numbered in plain small figures: discs would hide them. */
export const TINY = 46;
export const MANY = 20;

export function tinyBadge(context: Context, view: View, stroke: Stroke, order: number): void {
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
export function badge(context: Context, view: View, stroke: Stroke, order: number, selected: boolean): void {
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

/** A great many chosen strokes: their paths alone, in one go. */
export function crowd(context: Context, view: View, strokes: readonly Stroke[]): void {
  context.save();
  context.transform(view.zoom, 0, 0, view.zoom, view.x, view.y);
  context.beginPath();
  for (const { path } of strokes) tracePath(context, wholePath(path));
  context.restore();
  context.lineWidth = 1;
  context.strokeStyle = OVERLAY.head;
  context.stroke();
}
