import { BLENDS } from '../../draw';
import { changed, type ArtPaint, type ArtShape } from '../../document';
import {
  tightBounds,
  IDENTITY,
  meanScale,
  measurePath,
  pathData,
  pathsOf,
  transformCommands,
  widened,
  type Bounds,
  type PathCommand,
} from '../../geometry';
import { mappedColouring } from '../../ink';
import { clamp } from '../../numbers';
import { SvgError } from './fault';
import { gradientPaint } from './gradients';
import { drawPattern } from './patterns';
import { noteMovingLine } from './moving-lines';
import type { Style } from './properties';
import { localId, openGroup, spend, type Place, type Reading } from './reading';
import { outlineOf } from './shapes';
import type { Declarations } from './styles';
import { colourOf, lengthOf } from './values';
import { SVG_LIMITS, type Element } from './xml';

type Line = NonNullable<ArtShape['line']>;

/** What something is painted with: as art has it, or tiles that are laid under it. */
type Painted =
  | { readonly paint: ArtPaint; readonly opacity: number }
  | { readonly pattern: Element; readonly without: { paint: ArtPaint; opacity: number } | null };

export const share = (text: string): number => {
  const value = lengthOf(text, 1);
  return value === null ? 1 : clamp(value, 0, 1);
};

const plainPaint = (text: string, style: Style): { paint: string; opacity: number } | null => {
  const found = /^currentcolor$/i.test(text) ? colourOf(style.color) : colourOf(text);
  return found && { paint: found.colour, opacity: found.opacity };
};

/** What fill or stroke say to paint with; null for nothing. */
function paintedWith(
  reading: Reading,
  said: string,
  { inherited, view }: Place,
  box: Bounds,
  reach: Bounds,
): Painted | null {
  const text = said.trim();
  const { style } = inherited;
  if (text === 'none' || /^context-/i.test(text)) return null;
  if (!text.startsWith('url(')) return plainPaint(text, style);
  const target = reading.byId.get(localId(text) ?? '');
  const fallback = text.replace(/^url\([^)]*\)\s*/, '');
  const without = fallback && fallback !== 'none' ? plainPaint(fallback, style) : null;
  if (target?.name === 'linearGradient' || target?.name === 'radialGradient')
    return gradientPaint(reading, target, view, box, reach);
  if (target?.name === 'pattern') return { pattern: target, without };
  if (!/^url\(\s*["']?#/.test(text)) reading.leftOut.add('references to other files');
  return without;
}

/** Lengths of dashes in user units, stretched where the author counts the path's length otherwise (SVG 2, 13.5.6 and 9.6.1). */
function dashesOf(
  style: Style,
  commands: readonly PathCommand[],
  whole: number,
  counted: string | undefined,
): Pick<Line, 'dashes' | 'dashPhase'> {
  const said = style['stroke-dasharray'];
  const lengths = said === 'none' ? [] : said.split(/[\s,]+/).map((text) => lengthOf(text, whole) ?? 0);
  if (lengths.every((n) => n === 0)) return { dashes: [], dashPhase: 0 };
  const own = lengthOf(counted, 1);
  const k =
    own !== null && own > 0
      ? pathsOf(commands).reduce((sum, path) => sum + measurePath(path).length, 0) / own
      : 1;
  const scaled = (n: number): number => clamp(n * k, -1e6, 1e6);
  return {
    dashes: lengths.slice(0, 50).map(scaled),
    dashPhase: scaled(lengthOf(style['stroke-dashoffset'], whole) ?? 0),
  };
}

const CAPS = { butt: 'flat', round: 'round', square: 'square' } as const;

function lineOf(
  style: Style,
  commands: readonly PathCommand[],
  { view }: Place,
  counted: string | undefined,
): Omit<Line, 'colour' | 'opacity'> | null {
  const whole = Math.hypot(view.width, view.height) / Math.SQRT2;
  const width = lengthOf(style['stroke-width'], whole) ?? 1;
  if (!(width > 0)) return null;
  return {
    width: Math.min(1e6, width),
    cap: CAPS[style['stroke-linecap'] as keyof typeof CAPS] ?? 'flat',
    join: style['stroke-linejoin'] as Line['join'],
    miterLimit: clamp(lengthOf(style['stroke-miterlimit'], 1) ?? 4, 1, 1000),
    ...dashesOf(style, commands, whole, counted),
  };
}

/** Enough digits for a two-hundredth of a pixel as the picture is shown, and for being shown ten times as large. */
const digitsAt = (scale: number): number => clamp(Math.ceil(Math.log10(Math.max(1, scale) * 2000)) - 1, 2, 6);

/** Draws a shape of a file with its fill and its line, in the order it asks for. */
export function drawShape(reading: Reading, element: Element, d: Declarations, place: Place): void {
  const { spent, leftOut } = reading;
  const { matrix, into, group, view, clips } = place;
  const { style } = place.inherited;
  const commands = outlineOf(element.name, d, view, SVG_LIMITS.commands - spent.commands);
  if (!commands) return;
  spent.commands += commands.length;
  if (spent.commands > SVG_LIMITS.commands)
    throw new SvgError(`The picture has more than ${SVG_LIMITS.commands} lines and curves.`);
  const box = tightBounds(commands);
  if (!box || style.visibility !== 'visible') return;
  spend(reading);
  for (const marker of ['marker-start', 'marker-mid', 'marker-end', 'marker'])
    if (d[marker] && d[marker] !== 'none') leftOut.add('markers');
  const data = pathData(commands, digitsAt(meanScale(matrix)));
  const inGroup = group === undefined ? {} : { group };
  const bare: ArtShape = {
    data,
    fill: null,
    fillOpacity: 1,
    rule: 'nonzero',
    line: null,
    transform: matrix,
    ...inGroup,
  };
  if (clips) {
    const rule = style['clip-rule'] === 'evenodd' ? 'evenodd' : 'nonzero';
    into.push({ ...bare, fill: '#000000', rule });
    return;
  }
  const isOpen = element.name === 'line';
  const geometry = lineOf(style, commands, place, element.attributes.pathLength);
  const reach = widened(box, geometry ? (geometry.width / 2) * geometry.miterLimit : 0);
  const fill = isOpen ? null : paintedWith(reading, style.fill, place, box, box);
  const stroke = geometry && paintedWith(reading, style.stroke, place, box, reach);
  if (stroke) noteMovingLine(reading, element, d, place, commands, data);
  const rule = style['fill-rule'] === 'evenodd' ? ('evenodd' as const) : ('nonzero' as const);
  /** Lays tiles under a shape that says where they are seen. */
  const tiled = (
    painted: Extract<Painted, { pattern: Element }>,
    shape: ArtShape,
    opacity: number,
  ): boolean => {
    const index = openGroup(reading, { ...inGroup, opacity });
    const seen = changed<ArtShape>(shape, { group: undefined });
    const isLaid = drawPattern(reading, painted.pattern, { ...place, group: index }, box, reach);
    if (isLaid) reading.groups[index] = { ...inGroup, opacity, matte: { by: 'shape', shapes: [seen] } };
    return isLaid;
  };
  /** A line that keeps its width in the picture, however its path is scaled. */
  const unscaled = (line: Line): ArtShape => ({
    ...bare,
    data: pathData(transformCommands(commands, matrix), digitsAt(1)),
    transform: IDENTITY,
    line: { ...line, colour: mappedPaint(line.colour, matrix) },
  });
  const keepsWidth = d['vector-effect'] === 'non-scaling-stroke';
  const layers = {
    fill(): ArtShape | null {
      if (!fill) return null;
      const opacity = share(style['fill-opacity']);
      if (!('pattern' in fill))
        return { ...bare, fill: fill.paint, fillOpacity: fill.opacity * opacity, rule };
      if (tiled(fill, { ...bare, fill: '#000000', rule }, opacity) || !fill.without) return null;
      return { ...bare, fill: fill.without.paint, fillOpacity: fill.without.opacity * opacity, rule };
    },
    stroke(): ArtShape | null {
      if (!stroke) return null;
      const opacity = share(style['stroke-opacity']);
      const line = (colour: ArtPaint, covers: number): ArtShape => {
        const whole: Line = { ...geometry, colour, opacity: covers };
        return keepsWidth ? unscaled(whole) : { ...bare, line: whole };
      };
      if (!('pattern' in stroke)) return line(stroke.paint, stroke.opacity * opacity);
      if (tiled(stroke, line('#000000', 1), opacity) || !stroke.without) return null;
      return line(stroke.without.paint, stroke.without.opacity * opacity);
    },
  };
  if (strokeComesFirst(style['paint-order'])) {
    for (const layer of [layers.stroke(), layers.fill()]) if (layer) into.push(layer);
    return;
  }
  const filled = layers.fill();
  if (filled && !keepsWidth && stroke && !('pattern' in stroke)) {
    into.push({ ...filled, line: layers.stroke()!.line });
    return;
  }
  if (filled) into.push(filled);
  const stroked = layers.stroke();
  if (stroked) into.push(stroked);
}

/** Whether the line is painted under the fill: what an order does not name follows in the usual one (SVG 2, 13.8). */
function strokeComesFirst(order: string): boolean {
  const named = order.split(/\s+/);
  const all = [...named, ...['fill', 'stroke', 'markers'].filter((one) => !named.includes(one))];
  return all.indexOf('stroke') < all.indexOf('fill');
}

/** A paint of art as it looks mapped. */
function mappedPaint(paint: ArtPaint, m: Place['matrix']): ArtPaint {
  if (typeof paint === 'string') return paint;
  return { ...paint, ...(mappedColouring(paint, m) as object) };
}

/** The blend mode of a declaration, where it is one of W3C Compositing and Blending 1. */
export const blendOf = (text: string | undefined): (typeof BLENDS)[number] | null =>
  BLENDS.find((blend) => blend === text && blend !== 'xor') ?? null;
