import type { PathCommand } from '../geometry';
import type { DrawItem, DrawList, StrokeItem } from '../scene';

/** As much of a 2D canvas context as painting needs: the browser's and the server's both have it. */
export interface PaintContext {
  globalAlpha: number;
  lineWidth: number;
  lineCap: 'butt' | 'round' | 'square';
  lineJoin: 'bevel' | 'miter' | 'round';
  miterLimit: number;
  strokeStyle: unknown;
  fillStyle: unknown;
  save(): void;
  restore(): void;
  transform(a: number, b: number, c: number, d: number, e: number, f: number): void;
  beginPath(): void;
  moveTo(x: number, y: number): void;
  lineTo(x: number, y: number): void;
  bezierCurveTo(x1: number, y1: number, x2: number, y2: number, x: number, y: number): void;
  closePath(): void;
  stroke(): void;
  fill(rule?: 'nonzero' | 'evenodd'): void;
  setLineDash(dashes: number[]): void;
  lineDashOffset: number;
}

/** The default limit of SVG 2 (13.5.5). */
const MITER_LIMIT = 4;

/** Lays path commands into the context's current path. */
export function tracePath(context: PaintContext, path: readonly PathCommand[]): void {
  for (const c of path) {
    if (c[0] === 'C') context.bezierCurveTo(c[1], c[2], c[3], c[4], c[5], c[6]);
    else if (c[0] === 'L') context.lineTo(c[1], c[2]);
    else if (c[0] === 'M') context.moveTo(c[1], c[2]);
    else context.closePath();
  }
}

/**
 * Paints a draw list over what the canvas holds, in the coordinates of its current transform.
 * @param scale piece pixels to canvas pixels.
 */
export function paint(list: DrawList, context: PaintContext, scale = 1): void {
  context.save();
  context.transform(scale, 0, 0, scale, 0, 0);
  for (const item of list.items) paintItem(item, context);
  context.restore();
}

function paintItem(item: DrawItem, context: PaintContext): void {
  context.globalAlpha = item.opacity;
  if (item.kind === 'stroke' && item.transform) {
    context.save();
    context.transform(...item.transform);
    paintStroke(item, context);
    context.restore();
    return;
  }
  if (item.kind === 'stroke') {
    paintStroke(item, context);
    return;
  }
  context.beginPath();
  tracePath(context, item.path);
  context.fillStyle = item.colour;
  context.fill(item.rule ?? 'nonzero');
}

function paintStroke(item: StrokeItem, context: PaintContext): void {
  context.beginPath();
  tracePath(context, item.path);
  context.strokeStyle = item.colour;
  context.lineWidth = item.width;
  context.lineCap = item.cap;
  context.lineJoin = item.join;
  context.miterLimit = item.miterLimit ?? MITER_LIMIT;
  if (item.dashes) {
    context.setLineDash([...item.dashes]);
    context.lineDashOffset = item.dashPhase ?? 0;
  }
  context.stroke();
  if (item.dashes) context.setLineDash([]);
}
