import type { DrawItem, FillItem } from '../draw';
import {
  delaysOf,
  glyphsByColour,
  kindOf,
  textParts,
  type Arrival,
  type Lettering,
  type Piece,
} from '../document';
import {
  boxCommands,
  commandsBounds,
  compose,
  pathBounds,
  scaling,
  transformCommands,
  translation,
  unite,
  type Bounds,
  type PathCommand,
} from '../geometry';
import { clamp } from '../numbers';
import { keysOf, valueAt } from '../timing';
import { artItems, asOne } from './art-items';
import { partOutlines } from './reveal';

type Side = NonNullable<Arrival['from']>;

/** Far beyond any picture, px. */
const FAR = 60_000;

const OPPOSITE: Record<Side, Side> = { below: 'above', above: 'below', left: 'right', right: 'left' };

/** Whether a frame lies after the text has been there: on its way out. */
function isLeaving({ shown }: Arrival, frame: number): boolean {
  const keys = keysOf(shown);
  const most = Math.max(...keys.map((key) => key.value));
  const there = keys.findLast((key) => key.value === most);
  return there !== undefined && frame > there.frame;
}

/** Where text is cut off on the side it comes from: the line's middle where one is given, else off the text's own edge. */
function edgeOf(side: Side, text: Bounds, line: Bounds | null, margin: number): number {
  const upright = side === 'below' || side === 'above';
  if (line) return upright ? (line.top + line.bottom) / 2 : (line.left + line.right) / 2;
  if (side === 'below') return text.bottom + margin;
  if (side === 'above') return text.top - margin;
  return side === 'left' ? text.left - margin : text.right + margin;
}

/** How far a part is away where nothing of it is seen yet. */
function awayFrom(side: Side, edge: number, part: Bounds): { x: number; y: number } {
  if (side === 'below') return { x: 0, y: edge - part.top };
  if (side === 'above') return { x: 0, y: edge - part.bottom };
  return side === 'left' ? { x: edge - part.right, y: 0 } : { x: edge - part.left, y: 0 };
}

/** The half of the picture in which text is seen that comes from a side. */
function seenBeyond(side: Side, edge: number): PathCommand[] {
  const [left, right] = [side === 'left' ? edge : -FAR, side === 'right' ? edge : FAR];
  const [top, bottom] = [side === 'above' ? edge : -FAR, side === 'below' ? edge : FAR];
  return boxCommands({ left, top, right, bottom });
}

/** How far each part is there at a frame; all of them 1 where the text does not arrive. */
export function shownParts(lettering: Lettering, frame: number): number[] {
  const { arrival } = lettering;
  if (!arrival) return [];
  const parts = textParts(lettering, arrival.by);
  return delaysOf(parts.length, arrival).map((delay) => valueAt(arrival.shown, frame - delay));
}

/** What of the way of a text in or out differs from frame to frame. */
export function arrivalSignature(lettering: Lettering, frame: number): number[] {
  const shown = shownParts(lettering, frame);
  const { arrival } = lettering;
  if (!arrival?.onward) return shown;
  const delays = delaysOf(shown.length, arrival);
  return [...shown, ...delays.map((delay) => Number(isLeaving(arrival, frame - delay)))];
}

/** One line of a text: its letters from left to right, and the box round their ink. */
interface TextLine {
  readonly lettering: Lettering;
  readonly arrival: Arrival;
  readonly outlines: readonly (readonly PathCommand[])[];
  readonly order: readonly number[];
  readonly box: Bounds;
  /** The stroke it comes out of, where one is given. */
  readonly along: Bounds | null;
}

const boxOf = (outlines: TextLine['outlines'], glyphs: readonly number[]): Bounds | null =>
  unite(glyphs.flatMap((glyph) => commandsBounds(outlines[glyph]!) ?? []));

/** How far a letter stands from its place where so much is added between letters, about where the line is anchored, px. */
function spacing({ lettering, order }: TextLine, glyph: number, tracking: number): number {
  const { align, size } = lettering.setting;
  const from = align === 'left' ? 0 : align === 'right' ? order.length - 1 : (order.length - 1) / 2;
  return (order.indexOf(glyph) - from) * (tracking / 1000) * size;
}

/** Some letters of a line, so far there, that come from a side; nothing where none of them is seen. */
function partItem(
  line: TextLine,
  glyphs: readonly number[],
  side: Side | null,
  shown: number,
): readonly DrawItem[] {
  const { lettering, arrival, outlines } = line;
  const box = boxOf(outlines, glyphs);
  const opacity = lettering.opacity * (arrival.fade ? clamp(shown, 0, 1) : 1);
  const grown = Math.max(0, arrival.scale + (1 - arrival.scale) * shown);
  const hidden = side !== null && !arrival.open && shown <= 0;
  if (!box || hidden || opacity <= 0 || grown <= 0) return [];
  // Up and down a whole line goes as far, so that its letters keep on one height.
  const upright = side === 'below' || side === 'above';
  const edge = side ? edgeOf(side, line.box, line.along, arrival.margin) : 0;
  const away = side ? awayFrom(side, edge, upright ? line.box : box) : { x: 0, y: 0 };
  const [cx, cy] = [(box.left + box.right) / 2, (line.box.top + line.box.bottom) / 2];
  const size = compose(translation(cx, cy), compose(scaling(grown), translation(-cx, -cy)));
  const moved = compose(translation(away.x * (1 - shown), away.y * (1 - shown)), size);
  const pathOf = (glyph: number): PathCommand[] => {
    const apart = arrival.tracking === 0 ? 0 : spacing(line, glyph, arrival.tracking * (1 - shown));
    return transformCommands(outlines[glyph]!, compose(moved, translation(apart, 0)));
  };
  const fills = glyphsByColour(lettering, glyphs).flatMap(({ colour, glyphs: own }): FillItem[] => {
    const path = own.flatMap(pathOf);
    return path.length > 0 ? [{ kind: 'fill', path, colour, opacity: 1 }] : [];
  });
  return asOne(fills, opacity);
}

/**
 * Lettering on its way in or out.
 * @param piece the stroke that it comes out of is found among its layers.
 */
export function arrivedItems(
  lettering: Lettering,
  { layers }: Pick<Piece, 'layers'>,
  frame: number,
): readonly DrawItem[] {
  const { arrival } = lettering;
  if (!arrival || lettering.hidden) return artItems(lettering);
  const shown = shownParts(lettering, frame);
  if (shown.every((value) => value === 1)) return artItems(lettering);
  const delays = delaysOf(shown.length, arrival);
  const parts = textParts(lettering, arrival.by).map((part, i) => ({
    ...part,
    shown: shown[i]!,
    leaving: arrival.onward && isLeaving(arrival, frame - delays[i]!),
  }));
  const outlines = partOutlines(lettering);
  const stroke = layers.find((layer) => layer.id === arrival.line);
  const path = stroke && kindOf(stroke).path(stroke);
  const along = path ? pathBounds(path) : null;
  return [...new Set(parts.map((part) => part.line))].flatMap((row): DrawItem[] => {
    const own = parts.filter((part) => part.line === row);
    const glyphs = own.flatMap((part) => part.glyphs);
    const box = boxOf(outlines, glyphs);
    if (!box) return [];
    const order = [...glyphs].sort((a, b) => lettering.set.glyphs[a]!.x - lettering.set.glyphs[b]!.x);
    const line: TextLine = { lettering, arrival, outlines, order, box, along };
    // Those that go on to the other side are cut off there.
    return [false, true].flatMap((leaving): DrawItem[] => {
      const side = arrival.from && leaving ? OPPOSITE[arrival.from] : arrival.from;
      const items = own.flatMap((part) =>
        part.leaving === leaving ? partItem(line, part.glyphs, side, part.shown) : [],
      );
      if (items.length === 0 || side === null || arrival.open) return items;
      const seen = seenBeyond(side, edgeOf(side, box, along, arrival.margin));
      const cut: FillItem = { kind: 'fill', path: seen, colour: '#ffffff', opacity: 1, operator: 'keep' };
      return [{ kind: 'group', items: [...items, cut], opacity: 1 }];
    });
  });
}
