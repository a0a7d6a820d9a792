import type { PathCommand } from '../geometry';
import { MITER_LIMIT, type LinearGradient } from '../ink';
import { BLUR_REACH, itemBounds } from '../scene';
import type { DrawItem, DrawList, FillItem, GroupItem, Operator, StrokeItem } from '../scene';
import type { MakeCanvas, PaintContext } from './context';
import { keepOrGiveBack, keptGroup, type PaintedAt } from './kept-groups';
import { paintRibbon } from './ribbon';
import { giveBack, layDown, takeLayer, type Layer } from './layers';

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
  for (const item of list.items) paintItem(item, context, make);
  context.restore();
}

const OPERATIONS: Record<Operator, string> = {
  erase: 'destination-out',
  keep: 'destination-in',
  add: 'lighter',
};

function paintItem(item: DrawItem, context: PaintContext, make: MakeCanvas): void {
  context.globalAlpha = item.opacity;
  const operation = item.operator ? OPERATIONS[item.operator] : item.blend;
  if (operation) context.globalCompositeOperation = operation;
  if (item.kind === 'group') paintGroup(item, context, make);
  else if (item.kind === 'fill') paintFill(item, context);
  else if (item.transform) {
    context.save();
    context.transform(...item.transform);
    paintStroke(item, context);
    context.restore();
  } else paintStroke(item, context);
  if (operation) context.globalCompositeOperation = 'source-over';
}

const twoDigits = (value: number): string =>
  Math.round(value * 255)
    .toString(16)
    .padStart(2, '0');

/** What a context fills or strokes with. */
function styleOf(context: PaintContext, colour: string | LinearGradient): unknown {
  if (typeof colour === 'string') return colour;
  const { from, to, stops } = colour;
  const gradient = context.createLinearGradient(from.x, from.y, to.x, to.y);
  for (const { at, colour, opacity } of stops) {
    gradient.addColorStop(at, opacity < 1 ? colour + twoDigits(opacity) : colour);
  }
  return gradient;
}

function paintFill(item: FillItem, context: PaintContext): void {
  context.beginPath();
  tracePath(context, item.path);
  context.fillStyle = styleOf(context, item.colour);
  context.fill(item.rule ?? 'nonzero');
}

function paintStroke(item: StrokeItem, context: PaintContext): void {
  context.beginPath();
  tracePath(context, item.path);
  context.strokeStyle = styleOf(context, item.colour);
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

/** Canvas pixels on which a group is painted: where its ink can lie, and where blur draws ink in from beyond the edge. */
function groupPixels(group: GroupItem, context: PaintContext) {
  const { a, d, e, f } = context.getTransform();
  const { width, height } = context.canvas;
  if (group.operator === 'keep') return { left: 0, top: 0, right: width, bottom: height };
  const all = itemBounds(group);
  if (!all) return null;
  const beyond = group.blur ? Math.ceil(group.blur * a * BLUR_REACH) + 1 : 0;
  const box = {
    left: Math.max(-beyond, Math.floor(all.left * a + e) - 1),
    top: Math.max(-beyond, Math.floor(all.top * d + f) - 1),
    right: Math.min(width + beyond, Math.ceil(all.right * a + e) + 1),
    bottom: Math.min(height + beyond, Math.ceil(all.bottom * d + f) + 1),
  };
  return box.left < box.right && box.top < box.bottom ? box : null;
}

/** The same pixels blurred. */
function blurred(layer: Layer, deviation: number, make: MakeCanvas): Layer {
  const to = takeLayer(make, layer.width, layer.height);
  to.context.filter = `blur(${deviation}px)`;
  layDown(layer, to.context, 0, 0);
  to.context.filter = 'none';
  giveBack(make, layer);
  return to;
}

/** The same pixels times a factor: laid onto one another as light, the last time in part. */
function gained(layer: Layer, factor: number, make: MakeCanvas): Layer {
  const to = takeLayer(make, layer.width, layer.height);
  to.context.globalCompositeOperation = 'lighter';
  for (let rest = factor; rest > 0; rest--) {
    to.context.globalAlpha = Math.min(1, rest);
    layDown(layer, to.context, 0, 0);
  }
  giveBack(make, layer);
  return to;
}

/** Coefficients of red, green and blue in luma: ITU-R BT.709. */
const LUMA = [0.2126, 0.7152, 0.0722] as const;

/** Turns how bright pixels are into how much they cover. */
function alphaFromBrightness({ context, width, height }: Layer): void {
  const image = context.getImageData(0, 0, width, height);
  const { data } = image;
  for (let i = 0; i < data.length; i += 4) {
    const luma = (LUMA[0] * data[i]! + LUMA[1] * data[i + 1]! + LUMA[2] * data[i + 2]!) / 255;
    data[i + 3] = Math.round(luma * data[i + 3]!);
    data[i] = data[i + 1] = data[i + 2] = 0;
  }
  context.putImageData(image, 0, 0);
}

function paintGroup(group: GroupItem, context: PaintContext, make: MakeCanvas): void {
  const box = groupPixels(group, context);
  if (!box) return;
  const { a, d, e, f } = context.getTransform();
  const at = {
    left: box.left,
    top: box.top,
    key: [a, e, f, box.left, box.top, box.right, box.bottom].join(),
  };
  const before = keptGroup(make, group, at.key);
  if (before) {
    layAt(before.layer, context, at);
    return;
  }
  let layer = takeLayer(make, box.right - box.left, box.bottom - box.top);
  const inner = layer.context;
  const { x, y } = group.shift ?? { x: 0, y: 0 };
  inner.setTransform(a, 0, 0, d, e + x * a - box.left, f + y * d - box.top);
  if (group.ground) {
    const image = inner.createImageData(layer.width, layer.height);
    paintRibbon(group.ground, image.data, layer.width, layer.height, {
      scale: a,
      x: e + x * a - box.left,
      y: f + y * d - box.top,
    });
    inner.putImageData(image, 0, 0);
  }
  for (const item of group.items) paintItem(item, inner, make);
  inner.setTransform(1, 0, 0, 1, 0, 0);
  if (group.alphaFrom) alphaFromBrightness(layer);
  if (group.tint) {
    inner.globalAlpha = 1;
    inner.globalCompositeOperation = 'source-in';
    inner.fillStyle = group.tint;
    inner.fillRect(0, 0, layer.width, layer.height);
    inner.globalCompositeOperation = 'source-over';
  }
  if (group.blur) layer = blurred(layer, group.blur * a, make);
  if (group.gain !== undefined && group.gain !== 1) layer = gained(layer, group.gain, make);
  layAt(layer, context, at);
  keepOrGiveBack(make, group, layer, at);
}

/** Lays a painted group where it belongs, at whole pixels. */
function layAt(layer: Layer, context: PaintContext, { left, top }: PaintedAt): void {
  context.save();
  context.setTransform(1, 0, 0, 1, 0, 0);
  layDown(layer, context, left, top);
  context.restore();
}
