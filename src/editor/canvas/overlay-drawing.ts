import {
  measurePath,
  pointAtLength,
  tangentAtLength,
  wholePath,
  type Path,
  type Point,
} from '@/core/geometry';
import { tracePath } from '@/core/paint';
import { OVERLAY } from './colours';
import { toScreen, type View } from './view';

export type Context = CanvasRenderingContext2D;

export function tracePathInView(context: Context, view: View, path: Path): void {
  context.save();
  context.transform(view.zoom, 0, 0, view.zoom, view.x, view.y);
  context.beginPath();
  tracePath(context, wholePath(path));
  context.restore();
}

export function strokeOutlined(context: Context, width: number, colour: string): void {
  // A dark hairline under the light one keeps it visible on any picture.
  context.lineWidth = width + 2;
  context.strokeStyle = 'rgba(15, 12, 8, 0.55)';
  context.stroke();
  context.lineWidth = width;
  context.strokeStyle = colour;
  context.stroke();
}

export function drawSquare(context: Context, p: Point, half: number, fill: string, edge: string): void {
  context.fillStyle = fill;
  context.strokeStyle = edge;
  context.lineWidth = 1.5;
  context.beginPath();
  context.roundRect(p.x - half, p.y - half, half * 2, half * 2, 1.5);
  context.fill();
  context.stroke();
}

export function drawDot(context: Context, p: Point, radius: number, fill: string, edge: string): void {
  context.beginPath();
  context.arc(p.x, p.y, radius, 0, Math.PI * 2);
  context.fillStyle = fill;
  context.fill();
  context.lineWidth = 1.5;
  context.strokeStyle = edge;
  context.stroke();
}

/** A small arrow on the path, in the direction it is written. */
export function drawArrow(context: Context, view: View, path: Path, colour: string): void {
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
