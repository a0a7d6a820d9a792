import {
  letterOutlines,
  type Art,
  type ArtShape,
  type Artwork,
  type Layer,
  type Lettering,
} from '../document';
import {
  commandsOf,
  compose,
  isSimilar,
  meanScale,
  measurePath,
  pathsOf,
  transformCommands,
  type Matrix,
  type PathCommand,
} from '../geometry';
import { disc, square } from '../ink';
import type { ShapeItem } from './draw-list';
import { CANVAS_CAPS } from './stroke-items';

type Line = NonNullable<ArtShape['line']>;

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
function drawArt(art: Art): ShapeItem[][] {
  return art.shapes.map((shape): ShapeItem[] => {
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

/** Letters as they stand, one fill each. */
const drawLetters = (lettering: Lettering): ShapeItem[][] =>
  letterOutlines(lettering).map((path) =>
    path.length > 0 ? [{ kind: 'fill', path, colour: lettering.colour, opacity: lettering.opacity }] : [],
  );

/** All letters as one fill, so that none shows through another where they meet. */
function drawLettering(lettering: Lettering): ShapeItem[] {
  const path = letterOutlines(lettering).flat();
  return path.length > 0
    ? [{ kind: 'fill', path, colour: lettering.colour, opacity: lettering.opacity }]
    : [];
}

const still = new WeakMap<Layer, readonly ShapeItem[]>();
const stillParts = new WeakMap<Layer, readonly (readonly ShapeItem[])[]>();

const isSeen = (layer: Artwork): boolean => !layer.hidden && layer.opacity > 0;

/** What art or lettering shows shape by shape, or letter by letter: the same items as long as it is the same layer. */
export function partItems(layer: Artwork): readonly (readonly ShapeItem[])[] {
  let items = stillParts.get(layer);
  if (!items) {
    items = !isSeen(layer) ? [] : layer.type === 'art' ? drawArt(layer) : drawLetters(layer);
    stillParts.set(layer, items);
  }
  return items;
}

/** What art or lettering shows: the same items as long as it is the same layer. */
export function artItems(layer: Artwork): readonly ShapeItem[] {
  let items = still.get(layer);
  if (!items) {
    items = !isSeen(layer) ? [] : layer.type === 'art' ? partItems(layer).flat() : drawLettering(layer);
    still.set(layer, items);
  }
  return items;
}
