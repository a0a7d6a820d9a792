import {
  BLUR_REACH,
  filterReach,
  itemBounds,
  type DrawItem,
  type DrawList,
  type FillItem,
  type Filter,
  type GroupItem,
  type Operator,
  type ShapeItem,
  type StrokeItem,
} from '../draw';
import type { Bounds, PathCommand } from '../geometry';
import { isRadial, isRibbon, MITER_LIMIT, type LinearGradient, type RadialGradient } from '../ink';
import type { MakeCanvas, PaintContext, PaintGradient } from './context';
import { filtered } from './filtered';
import { keepOrGiveBack, keptGroup, type PaintedAt } from './kept-groups';
import { pixelsOf } from './pixels';
import { sumMoments } from './moments';
import { layDown, takeLayer, type Layer } from './layers';
import { placePattern } from './pattern';
import { contentOf, seenThrough, type SeenThrough } from './seen-through';
import { sheetFor, type Sheet } from './sheet';

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
 * Paints a draw list over what the canvas holds, in the coordinates of its current transform, which may scale alike in
 * both directions and move, but not turn.
 * @param make gives the canvases on which groups are painted first.
 * @param scale piece pixels to canvas pixels.
 */
export function paint(list: DrawList, context: PaintContext, make: MakeCanvas, scale = 1): void {
  context.save();
  context.transform(scale, 0, 0, scale, 0, 0);
  paintItems(list.items, context, make);
  context.restore();
}

const OPERATIONS: Record<Operator, string> = {
  erase: 'destination-out',
  keep: 'destination-in',
  add: 'lighter',
  atop: 'source-atop',
};

/** Paints items, one after another, over what the canvas holds. */
export function paintItems(items: readonly DrawItem[], context: PaintContext, make: MakeCanvas): void {
  for (let i = 0; i < items.length;) {
    const { sheet, upTo } = sheetFor(items, i, context, make);
    for (; i < upTo; i++) paintItem(items[i]!, context, make, sheet);
    sheet?.done();
  }
}

function paintItem(item: DrawItem, context: PaintContext, make: MakeCanvas, sheet: Sheet | null): void {
  context.globalAlpha = item.opacity;
  const operation = item.operator ? OPERATIONS[item.operator] : item.blend;
  if (operation) context.globalCompositeOperation = operation;
  const through = item.kind === 'group' ? seenThrough(item) : null;
  if (through) paintThrough(through, item.opacity, context, make);
  else if (item.kind === 'group') paintGroup(item, context, make);
  else {
    paintWithColour(item, context, sheet, (style) => {
      paintShape(item, context, style);
    });
  }
  if (operation) context.globalCompositeOperation = 'source-over';
}

const twoDigits = (value: number): string =>
  Math.round(value * 255)
    .toString(16)
    .padStart(2, '0');

function gradientOf(context: PaintContext, colour: LinearGradient | RadialGradient): PaintGradient {
  let gradient: PaintGradient;
  if (isRadial(colour)) {
    const { focus, focusRadius, centre, radius } = colour;
    gradient = context.createRadialGradient(focus.x, focus.y, focusRadius, centre.x, centre.y, radius);
  } else gradient = context.createLinearGradient(colour.from.x, colour.from.y, colour.to.x, colour.to.y);
  for (const { at, colour: stop, opacity } of colour.stops) {
    gradient.addColorStop(at, opacity < 1 ? stop + twoDigits(opacity) : stop);
  }
  return gradient;
}

/**
 * Paints with a shape's colour. What a gradient or a ribbon needs of a context is undone: in Chromium a context that was given
 * a gradient goes on to dither, and what is painted then would show what was painted before.
 */
function paintWithColour(
  item: ShapeItem,
  context: PaintContext,
  sheet: Sheet | null,
  put: (style: unknown) => void,
): void {
  const { colour } = item;
  if (typeof colour === 'string') {
    put(colour);
    return;
  }
  context.save();
  if (isRibbon(colour)) {
    const style = sheet?.styleOf(item, context);
    // Pixel for pixel, where a context is scaled as well.
    context.imageSmoothingEnabled = false;
    if (style) put(style);
  } else put(gradientOf(context, colour));
  context.restore();
}

/** Fills a shape with something that is seen through it: of each of its pixels as much as the shape covers. */
function paintThrough(through: SeenThrough, opacity: number, context: PaintContext, make: MakeCanvas): void {
  const { shape } = through;
  const painted = contentOf(through, context, make, (item, onto) => paintItems([item], onto, make));
  if (!painted || !placePattern(painted.pattern, context, shape, painted.left, painted.top)) return;
  context.save();
  context.globalAlpha = opacity * shape.opacity;
  context.imageSmoothingEnabled = false;
  paintShape(shape, context, painted.pattern);
  context.restore();
}

function paintShape(item: ShapeItem, context: PaintContext, style: unknown): void {
  if (item.kind === 'fill') paintFill(item, context, style);
  else if (item.transform) {
    context.save();
    context.transform(...item.transform);
    paintStroke(item, context, style);
    context.restore();
  } else paintStroke(item, context, style);
}

function paintFill(item: FillItem, context: PaintContext, style: unknown): void {
  const { colour } = item;
  context.beginPath();
  tracePath(context, item.path);
  // A path stays where it was laid; what it is filled with lies in the coordinates that hold while it is filled.
  if (typeof colour === 'object' && isRadial(colour)) context.transform(...colour.transform);
  context.fillStyle = style;
  context.fill(item.rule ?? 'nonzero');
}

function paintStroke(item: StrokeItem, context: PaintContext, style: unknown): void {
  context.beginPath();
  tracePath(context, item.path);
  context.strokeStyle = style;
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

/**
 * Canvas pixels on which a group is painted: where its ink can lie, and where blur draws ink in from beyond the edge. What keeps of what
 * lies below is as large as that, for all beyond its ink goes.
 */
function groupPixels(group: GroupItem, context: PaintContext): Bounds | null {
  const { width, height } = context.canvas;
  const { blur } = filterReach(group.filters);
  const beyond = blur > 0 ? Math.ceil(blur * context.getTransform().a * BLUR_REACH) + 1 : 0;
  const most = { left: -beyond, top: -beyond, right: width + beyond, bottom: height + beyond };
  return group.operator === 'keep' ? most : pixelsOf(itemBounds(group), context.getTransform(), most);
}

/**
 * Standard deviation, canvas pixels, up to which a group is blurred as it is. One that is blurred further is painted so much
 * smaller that it comes to this, and laid down enlarged: what it costs then falls with the radius. The straight lines
 * between the smaller picture's pixels are off by less than h²/8 of the second derivative, 5e-5 of full.
 */
const MOST_BLUR = 32;

/** By how much a group's pixels are surely smooth, px: what is sharpened again is not. */
const softness = (filters: readonly Filter[] = []): number =>
  filters.some(({ kind }) => kind === 'sharpen') ? 0 : filterReach(filters).blur;

function paintGroup(group: GroupItem, context: PaintContext, make: MakeCanvas): void {
  const box = groupPixels(group, context);
  if (!box) return;
  const { a, d, e, f } = context.getTransform();
  const enlarged = Math.max(1, (softness(group.filters) * a) / MOST_BLUR);
  const at = {
    left: box.left,
    top: box.top,
    enlarged,
    how: [a, e, f, box.left, box.top, box.right, box.bottom],
  };
  const before = keptGroup(make, group, at.how);
  if (before) {
    layAt(before.layer, context, at);
    return;
  }
  const [width, height] = [box.right - box.left, box.bottom - box.top];
  let layer = takeLayer(make, Math.ceil(width / enlarged), Math.ceil(height / enlarged));
  const inner = layer.context;
  const { x, y } = filterReach(group.filters).shift;
  // Piece pixels to the layer's.
  const [sx, sy] = [a / enlarged, d / enlarged];
  const [dx, dy] = [(e + x * a - box.left) / enlarged, (f + y * d - box.top) / enlarged];
  inner.setTransform(sx, 0, 0, sy, dx, dy);
  if (group.moments)
    sumMoments(group.items, layer, make, (item, context) => paintItems([item], context, make));
  else paintItems(group.items, inner, make);
  inner.setTransform(1, 0, 0, 1, 0, 0);
  for (const filter of group.filters ?? []) layer = filtered(layer, filter, sx, make);
  layAt(layer, context, at);
  keepOrGiveBack(make, group, layer, at);
}

/** Lays a painted group where it belongs. */
function layAt(layer: Layer, context: PaintContext, { left, top, enlarged }: PaintedAt): void {
  context.save();
  context.setTransform(1, 0, 0, 1, 0, 0);
  layDown(layer, context, left, top, enlarged);
  context.restore();
}
