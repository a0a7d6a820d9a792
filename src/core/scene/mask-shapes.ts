import { type DrawItem, type FillItem, type GroupItem, transformed } from '../draw';
import { keyedParts, partOf, pathAt, type Mask, type MaskShape } from '../document';
import {
  ellipseShape,
  IDENTITY,
  rectangleShape,
  translation,
  transformCommands,
  wholePath,
  type Matrix,
  type PathCommand,
  type Point,
} from '../geometry';
import { disc, type LinearGradient } from '../ink';
import { keysOf, valueAt, type Animated } from '../timing';

type Items = readonly DrawItem[];

/** What covers; its colour does not count. */
const COVER = '#ffffff';
/** Far beyond any picture, px. */
const FAR = 60_000;
/** Corners that a full turn of a clock wipe is cut into. */
const CORNERS = 96;

const everything: readonly PathCommand[] = [
  ['M', -FAR, -FAR],
  ['L', FAR, -FAR],
  ['L', FAR, FAR],
  ['L', -FAR, FAR],
  ['Z'],
];

const fill = (path: readonly PathCommand[], opacity: number): FillItem => ({
  kind: 'fill',
  path,
  colour: COVER,
  opacity,
});

/** The sector that the hand of a clock has passed. */
function sector({ x, y }: Point, reach: number, angle: number, share: number, back: boolean): PathCommand[] {
  if (share <= 0) return [];
  if (share >= 1) return disc(x, y, reach);
  const turn = share * Math.PI * 2 * (back ? -1 : 1);
  const steps = Math.max(1, Math.ceil(share * CORNERS));
  // Corners lie outside the circle, so that the chords between them touch it.
  const r = reach / Math.cos(turn / steps / 2);
  const corners = Array.from({ length: steps + 1 }, (_, i): PathCommand => {
    const a = angle + (turn * i) / steps;
    return ['L', x + r * Math.cos(a), y + r * Math.sin(a)];
  });
  return [['M', x, y], ...corners, ['Z']];
}

/** What covers on one side of an edge that moves from one place to another, and fades over a width. */
function wipe(
  { from, to }: Extract<MaskShape, { kind: 'linear wipe' }>,
  share: number,
  feather: number,
  opacity: number,
): FillItem | null {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  if (length === 0) return share >= 0.5 ? fill(everything, opacity) : null;
  const [ux, uy] = [(to.x - from.x) / length, (to.y - from.y) / length];
  // Soft edges lie outside the way at its two ends: nothing at 0, all of it at 1.
  const edge = share * (length + feather) - feather / 2;
  const at = (d: number): Point => ({ x: from.x + ux * d, y: from.y + uy * d });
  const [last, side] = [at(edge + feather / 2), FAR];
  const back = at(-FAR);
  const path: PathCommand[] = [
    ['M', back.x - uy * side, back.y + ux * side],
    ['L', last.x - uy * side, last.y + ux * side],
    ['L', last.x + uy * side, last.y - ux * side],
    ['L', back.x + uy * side, back.y - ux * side],
    ['Z'],
  ];
  if (feather <= 0) return fill(path, opacity);
  const gradient: LinearGradient = {
    from: at(edge - feather / 2),
    to: last,
    stops: [
      { at: 0, colour: COVER, opacity: 1 },
      { at: 1, colour: COVER, opacity: 0 },
    ],
  };
  return { ...fill(path, opacity), colour: gradient };
}

/** The outline of a mask's shape at a frame; null for a wipe in a straight line, which has none. */
function outline(shape: MaskShape, frame: number): readonly PathCommand[] | null {
  const now = (value: Parameters<typeof valueAt>[0]): number => valueAt(value, frame);
  switch (shape.kind) {
    case 'rectangle': {
      const [x, y, w, h] = [now(shape.x), now(shape.y), now(shape.width), now(shape.height)];
      return w > 0 && h > 0
        ? wholePath(rectangleShape({ x, y }, { x: x + w, y: y + h }, now(shape.radius)))
        : [];
    }
    case 'ellipse': {
      const [x, y, rx, ry] = [now(shape.x), now(shape.y), now(shape.radiusX), now(shape.radiusY)];
      return rx > 0 && ry > 0
        ? wholePath(ellipseShape({ x: x - rx, y: y - ry }, { x: x + rx, y: y + ry }))
        : [];
    }
    case 'path': {
      const path = pathAt(shape.path, frame);
      return path.points.length > 1 ? wholePath({ ...path, closed: true }) : [];
    }
    case 'radial wipe': {
      const r = now(shape.reach) * now(shape.share);
      return r > 0 ? disc(shape.centre.x, shape.centre.y, r) : [];
    }
    case 'clock wipe':
      return sector(shape.centre, now(shape.reach), now(shape.angle), now(shape.share), shape.anticlockwise);
    case 'linear wipe':
      return null;
  }
}

/** What one mask covers at a frame: none, one or more items that lie over one another. */
function covered(mask: Mask, frame: number): DrawItem[] {
  const opacity = valueAt(mask.opacity, frame);
  const feather = valueAt(mask.feather, frame);
  const expansion = valueAt(mask.expansion, frame);
  const shift = translation(valueAt(mask.x, frame), valueAt(mask.y, frame));
  if (opacity <= 0) return [];
  if (mask.shape.kind === 'linear wipe') {
    const { shape } = mask;
    const move = (p: Point): Point => ({ x: p.x + shift[4], y: p.y + shift[5] });
    const length = Math.hypot(shape.to.x - shape.from.x, shape.to.y - shape.from.y);
    const grown = length > 0 ? expansion / length : 0;
    const item = wipe(
      { ...shape, from: move(shape.from), to: move(shape.to) },
      valueAt(shape.share, frame) + grown,
      feather,
      opacity,
    );
    return item ? [item] : [];
  }
  const shape = outline(mask.shape, frame) ?? [];
  if (shape.length === 0) return [];
  const path = transformCommands(shape, shift);
  if (expansion === 0 && feather === 0) return [fill(path, opacity)];
  const rim = {
    kind: 'stroke' as const,
    path,
    colour: COVER,
    opacity: 1,
    width: Math.abs(expansion) * 2,
    cap: 'round' as const,
    join: 'round' as const,
  };
  const items: DrawItem[] = [fill(path, 1)];
  if (expansion !== 0) items.push(expansion < 0 ? { ...rim, operator: 'erase' } : rim);
  return [
    {
      kind: 'group',
      items,
      opacity,
      ...(feather > 0 && { filters: [{ kind: 'blur', deviation: feather / 2 }] }),
    },
  ];
}

/** Some of a mask's items, as one that meets what lies under it. */
const asOne = (items: Items, operator: 'erase' | 'keep'): DrawItem =>
  items.length === 1 && items[0]!.kind !== 'group'
    ? { ...items[0]!, operator }
    : { kind: 'group', items, opacity: 1, operator };

/** What all masks together leave: each meets what those before it have left. */
function combined(masks: readonly Mask[], frame: number, back: Matrix): DrawItem[] {
  return masks.reduce<DrawItem[]>((before, mask, i) => {
    const shape = covered(mask, frame);
    const own = mask.stands === 'picture' ? shape.map((item) => transformed(item, back)) : shape;
    const shown: Items = mask.inverted
      ? [
          {
            kind: 'group',
            items: [fill(everything, 1), ...(own.length > 0 ? [asOne(own, 'erase')] : [])],
            opacity: 1,
          },
        ]
      : own;
    if (mask.how === 'add') return [...before, ...shown];
    // A first mask that takes away takes away from everything.
    const left: DrawItem[] = i === 0 ? [fill(everything, 1)] : before;
    if (mask.how === 'subtract') return shown.length > 0 ? [...left, asOne(shown, 'erase')] : left;
    return shown.length > 0 ? [...left, asOne(shown, 'keep')] : [];
  }, []);
}

/**
 * What of some items their masks leave to be seen at a frame.
 * @param back from the picture's coordinates to those of the items.
 */
export function masked(items: Items, masks: readonly Mask[], frame: number, back: Matrix = IDENTITY): Items {
  if (items.length === 0) return items;
  const left = combined(masks, frame, back);
  if (left.length === 0) return [];
  const group: GroupItem = { kind: 'group', items: [...items, asOne(left, 'keep')], opacity: 1 };
  return [group];
}

/** What of some masks differs from frame to frame. */
export const maskSignature = (masks: readonly Mask[], frame: number): number[] =>
  keyedParts({ masks }).map((part) => {
    const value = partOf({ masks }, part)!;
    const keys = keysOf(value as Animated);
    if (typeof keys[0]!.value === 'number') return valueAt(value as Animated, frame);
    // Shapes stand still before the first and after the last of their keys.
    return Math.min(keys.at(-1)!.frame, Math.max(keys[0]!.frame, frame));
  });
