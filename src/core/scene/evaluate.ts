import {
  windowAt,
  type Art,
  type ArtShape,
  type Lettering,
  type Layer,
  type Piece,
  type Stroke,
} from '../document';
import {
  commandsOf,
  compose,
  meanScale,
  measurePath,
  pathsOf,
  scaling,
  transformCommands,
  translation,
  type Matrix,
  type PathCommand,
} from '../geometry';
import { disc, square } from '../ink';
import type { DrawItem, DrawList, ShapeItem } from './draw-list';
import { inkMarks } from './ink-now';
import { momentOf, type Moment } from './moment';
import { CANVAS_CAPS, strokeItems } from './stroke-items';

/** What each stroke drew last: while its window and its ink stand still, it draws the very same items. */
const drawn = new WeakMap<Stroke, { marks: readonly (number | string)[]; items: readonly DrawItem[] }>();

function itemsAt(stroke: Stroke, moment: Moment): readonly DrawItem[] {
  const window = windowAt(stroke, moment.frame);
  const marks = [window.head, window.tail, window.slide, ...inkMarks(stroke.ink, moment)];
  const last = drawn.get(stroke);
  if (last && last.marks.length === marks.length && last.marks.every((mark, i) => mark === marks[i])) {
    return last.items;
  }
  const items = strokeItems(stroke, window, moment);
  drawn.set(stroke, { marks, items });
  return items;
}

type Line = NonNullable<ArtShape['line']>;

/** Whether a map keeps shapes: it turns, mirrors and scales alike in every direction. */
function isSimilar([a, b, c, d]: Matrix): boolean {
  const size = Math.abs(a) + Math.abs(b) + Math.abs(c) + Math.abs(d);
  const alike = (p: number, q: number): boolean => Math.abs(p - q) <= 1e-9 * size;
  return (alike(a, d) && alike(b, -c)) || (alike(a, -d) && alike(b, c));
}

/** A line of art: a pen drawn along its path, and the caps of pieces without length (SVG 2, 13.5.4). */
function drawLine(
  line: Line,
  commands: readonly PathCommand[],
  transform: Matrix,
  opacity: number,
): ShapeItem[] {
  const shown = { colour: line.colour, opacity: opacity * line.opacity };
  const dots = line.cap === 'flat' ? [] : pathsOf(commands).filter((path) => measurePath(path).length === 0);
  const make = line.cap === 'round' ? disc : square;
  // In piece pixels, where a pen stays round: canvases are exact to a share of a pixel of what they are given.
  const baked = isSimilar(transform);
  const k = baked ? meanScale(transform) : 1;
  return [
    {
      kind: 'stroke',
      path: baked ? transformCommands(commands, transform) : commands,
      ...shown,
      width: line.width * k,
      cap: CANVAS_CAPS[line.cap],
      join: line.join,
      miterLimit: line.miterLimit,
      ...(line.dashes.length > 0 && { dashes: line.dashes.map((d) => d * k), dashPhase: line.dashPhase * k }),
      ...(!baked && { transform }),
    },
    ...dots.map(({ points }): ShapeItem => {
      const { x, y } = points[0]!;
      return { kind: 'fill', path: transformCommands(make(x, y, line.width / 2), transform), ...shown };
    }),
  ];
}

/** Art as it stands, a fill and a line a shape. */
function drawArt(art: Art): ShapeItem[] {
  if (art.hidden || art.opacity === 0) return [];
  return art.shapes.flatMap((shape): ShapeItem[] => {
    const commands = commandsOf(shape.data);
    const transform = compose(art.transform, shape.transform);
    const out: ShapeItem[] = [];
    if (shape.fill) {
      out.push({
        kind: 'fill',
        path: transformCommands(commands, transform),
        colour: shape.fill,
        opacity: art.opacity * shape.fillOpacity,
        ...(shape.rule === 'evenodd' && { rule: 'evenodd' as const }),
      });
    }
    const { line } = shape;
    if (line && line.width > 0) out.push(...drawLine(line, commands, transform, art.opacity));
    return out;
  });
}

/** The outlines of lettering in piece pixels, letter by letter. */
export const letterOutlines = ({ set, x, y }: Pick<Lettering, 'set' | 'x' | 'y'>): PathCommand[][] =>
  set.glyphs.map((glyph) =>
    transformCommands(
      commandsOf(set.outlines[glyph.outline] ?? ''),
      compose(translation(x + glyph.x, y + glyph.y), scaling(set.scale)),
    ),
  );

function drawLettering(lettering: Lettering): ShapeItem[] {
  if (lettering.hidden || lettering.opacity === 0) return [];
  const path = letterOutlines(lettering).flat();
  return path.length > 0
    ? [{ kind: 'fill', path, colour: lettering.colour, opacity: lettering.opacity }]
    : [];
}

const still = new WeakMap<Layer, readonly ShapeItem[]>();

/** What art or lettering shows: the same items as long as it is the same layer. */
export function artItems(layer: Art | Lettering): readonly ShapeItem[] {
  let items = still.get(layer);
  if (!items) {
    items = layer.type === 'art' ? drawArt(layer) : drawLettering(layer);
    still.set(layer, items);
  }
  return items;
}

/** Whether two draw lists are made of the same items, and so paint the same picture. */
export const sameItems = (a: DrawList, b: DrawList): boolean =>
  a.items.length === b.items.length && a.items.every((item, i) => item === b.items[i]);

/**
 * What a piece shows at a frame. Pure: the same piece and frame give the same list on every machine.
 * @param frame frames from the start; fractions lie between two frames.
 */
export function evaluate(piece: Piece, frame: number): DrawList {
  const moment = momentOf(piece, frame);
  const items: DrawItem[] = [];
  for (const layer of piece.layers) {
    items.push(...(layer.type === 'stroke' ? itemsAt(layer, moment) : artItems(layer)));
  }
  return { width: piece.size.width, height: piece.size.height, items };
}
