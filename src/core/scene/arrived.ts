import { letterOutlines, delaysOf, textParts, type Arrival, type Lettering, type Piece } from '../document';
import {
  commandsBounds,
  compose,
  isIdentity,
  pathBounds,
  scaling,
  transformCommands,
  translation,
  unite,
  type Bounds,
  type Matrix,
  type PathCommand,
} from '../geometry';
import { keysOf, valueAt } from '../timing';
import { artItems } from './art-items';
import type { DrawItem, FillItem } from './draw-list';

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
  return [['M', left, top], ['L', right, top], ['L', right, bottom], ['L', left, bottom], ['Z']];
}

/** How far each part is there at a frame; all of them 1 where the text does not arrive. */
export function shownParts(lettering: Lettering, frame: number): number[] {
  const { arrival } = lettering;
  if (!arrival) return [];
  const parts = textParts(lettering, arrival.by);
  return delaysOf(parts.length, arrival).map((delay) => valueAt(arrival.shown, frame - delay));
}

/** What of the way of a text in or out differs from frame to frame. */
export function arrivalMarks(lettering: Lettering, frame: number): number[] {
  const shown = shownParts(lettering, frame);
  const { arrival } = lettering;
  if (!arrival?.onward) return shown;
  const delays = delaysOf(shown.length, arrival);
  return [...shown, ...delays.map((delay) => Number(isLeaving(arrival, frame - delay)))];
}

/** Letters moved apart or together about where the line stands, as tracking does. */
function spacing(lettering: Lettering, glyph: number, line: readonly number[], tracking: number): number {
  const extra = (tracking / 1000) * lettering.setting.size;
  const ordered = [...line].sort((a, b) => lettering.set.glyphs[a]!.x - lettering.set.glyphs[b]!.x);
  const at = ordered.indexOf(glyph);
  const { align } = lettering.setting;
  const from = align === 'left' ? 0 : align === 'right' ? ordered.length - 1 : (ordered.length - 1) / 2;
  return (at - from) * extra;
}

/**
 * Lettering on its way in or out.
 * @param lines the stroke that it comes out of is found among these layers.
 */
export function arrivedItems(
  lettering: Lettering,
  { layers }: Pick<Piece, 'layers'>,
  frame: number,
): readonly DrawItem[] {
  const { arrival } = lettering;
  if (!arrival || lettering.hidden) return artItems(lettering);
  const parts = textParts(lettering, arrival.by);
  const delays = delaysOf(parts.length, arrival);
  const shown = shownParts(lettering, frame);
  if (shown.every((value) => value === 1)) return artItems(lettering);
  const outlines = letterOutlines(lettering);
  const stroke = layers.find((layer) => layer.id === arrival.line);
  const along = stroke?.type === 'stroke' ? pathBounds(stroke.path) : null;
  const rows = [...new Set(parts.map((part) => part.line))];
  return rows.flatMap((row): DrawItem[] => {
    const own = parts.map((part, i) => ({ part, i })).filter(({ part }) => part.line === row);
    const glyphs = own.flatMap(({ part }) => part.glyphs);
    const text = unite(glyphs.flatMap((glyph) => commandsBounds(outlines[glyph]!) ?? []));
    if (!text) return [];
    const bySide = new Map<Side | null, FillItem[]>();
    for (const { part, i } of own) {
      const value = shown[i]!;
      const leaving = arrival.onward && isLeaving(arrival, frame - delays[i]!);
      const side = arrival.from && leaving ? OPPOSITE[arrival.from] : arrival.from;
      const item = partItem(lettering, arrival, part.glyphs, glyphs, outlines, text, side, along, value);
      if (item) bySide.set(side, [...(bySide.get(side) ?? []), item]);
    }
    return [...bySide].flatMap(([side, items]): DrawItem[] => {
      if (side === null || arrival.open) return items;
      const seen = seenBeyond(side, edgeOf(side, text, along, arrival.margin));
      const cut: FillItem = { kind: 'fill', path: seen, colour: '#ffffff', opacity: 1, operator: 'keep' };
      return [{ kind: 'group', items: [...items, cut], opacity: 1 }];
    });
  });
}

function partItem(
  lettering: Lettering,
  arrival: Arrival,
  glyphs: readonly number[],
  line: readonly number[],
  outlines: readonly (readonly PathCommand[])[],
  text: Bounds,
  side: Side | null,
  along: Bounds | null,
  value: number,
): FillItem | null {
  const box = unite(glyphs.flatMap((glyph) => commandsBounds(outlines[glyph]!) ?? []));
  if (!box) return null;
  const opacity = lettering.opacity * (arrival.fade ? Math.min(1, Math.max(0, value)) : 1);
  const grown = Math.max(0, arrival.scale + (1 - arrival.scale) * value);
  if (opacity <= 0 || grown <= 0) return null;
  // Up and down a whole line goes as far, so that its letters keep on one height.
  const upright = side === 'below' || side === 'above';
  const edge = side ? edgeOf(side, text, along, arrival.margin) : 0;
  if (side && !arrival.open && value <= 0) return null;
  const away = side ? awayFrom(side, edge, upright ? text : box) : { x: 0, y: 0 };
  const [cx, cy] = [(box.left + box.right) / 2, (text.top + text.bottom) / 2];
  const size: Matrix =
    grown === 1
      ? translation(0, 0)
      : compose(translation(cx, cy), compose(scaling(grown), translation(-cx, -cy)));
  const moved = compose(translation(away.x * (1 - value), away.y * (1 - value)), size);
  const path = glyphs.flatMap((glyph) => {
    const apart =
      arrival.tracking === 0 ? 0 : spacing(lettering, glyph, line, arrival.tracking * (1 - value));
    const m = compose(moved, translation(apart, 0));
    return isIdentity(m) ? outlines[glyph]! : transformCommands(outlines[glyph]!, m);
  });
  return path.length > 0 ? { kind: 'fill', path, colour: lettering.colour, opacity } : null;
}
