import { type DrawItem, type FillItem, type StrokeItem, itemBounds } from '../draw';
import {
  colourOfGlyph,
  glyphsByColour,
  letterOutlines,
  type Art,
  type ArtGroup,
  type ArtShape,
  type Artwork,
  type Layer,
  type Lettering,
} from '../document';
import {
  boxCommands,
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
import { disc, isRadial, mappedColouring, square } from '../ink';
import { CANVAS_CAPS } from './laid-ink';

type Line = NonNullable<ArtShape['line']>;

/** A fill that surely lies under all of a stroke, for the stroke to keep its shape of. */
function groundOf(stroke: StrokeItem): FillItem | null {
  const bounds = itemBounds(stroke);
  if (!bounds) return null;
  return { kind: 'fill', path: boxCommands(bounds), colour: stroke.colour, opacity: 1 };
}

/** Commands without the pieces that have no length: canvases differ in what they draw of them. */
function withLength(commands: readonly PathCommand[]): readonly PathCommand[] {
  const pieces: PathCommand[][] = [];
  for (const command of commands) {
    if (command[0] === 'M') pieces.push([command]);
    else pieces.at(-1)?.push(command);
  }
  return pieces.filter((piece) => pathsOf(piece).some((path) => measurePath(path).length > 0)).flat();
}

/** A line of art: a pen drawn along its path, and the caps of pieces without length (SVG 2, 13.5.4). */
function drawLine(line: Line, commands: readonly PathCommand[], transform: Matrix): DrawItem[] {
  const { opacity } = line;
  const points = pathsOf(commands).filter((path) => measurePath(path).length === 0);
  const dots = line.cap === 'flat' ? [] : points;
  const drawn = points.length > 0 ? withLength(commands) : commands;
  const make = line.cap === 'round' ? disc : square;
  // In piece pixels, where a pen stays round: canvases are exact to a share of a pixel of what they are given.
  const baked = isSimilar(transform);
  const k = baked ? meanScale(transform) : 1;
  const radial = isRadial(line.colour);
  const inPicture = mappedColouring(line.colour, transform);
  const stroke: StrokeItem = {
    kind: 'stroke',
    path: baked ? transformCommands(drawn, transform) : drawn,
    colour: radial || baked ? inPicture : line.colour,
    opacity,
    width: line.width * k,
    cap: CANVAS_CAPS[line.cap],
    join: line.join,
    miterLimit: line.miterLimit,
    ...(line.dashes.length > 0 && { dashes: line.dashes.map((d) => d * k), dashPhase: line.dashPhase * k }),
    ...(!baked && { transform }),
  };
  const caps = dots.map(({ points }): FillItem => {
    const { x, y } = points[0]!;
    const path = transformCommands(make(x, y, line.width / 2), transform);
    return { kind: 'fill', path, colour: inPicture, opacity };
  });
  if (drawn.length === 0) return caps;
  if (!radial) return [stroke, ...caps];
  const ground = groundOf(stroke);
  const shape: StrokeItem = { ...stroke, colour: '#000000', opacity: 1, operator: 'keep' };
  return ground ? [{ kind: 'group', items: [ground, shape], opacity }, ...caps] : caps;
}

/** A shape of art by itself: its fill, and its line over it. */
function drawShape(shape: ArtShape, placed: Matrix): DrawItem[] {
  const commands = commandsOf(shape.data);
  const transform = compose(placed, shape.transform);
  const out: DrawItem[] = [];
  if (shape.fill) {
    out.push({
      kind: 'fill',
      path: transformCommands(commands, transform),
      colour: mappedColouring(shape.fill, transform),
      opacity: shape.fillOpacity,
      ...(shape.rule === 'evenodd' && { rule: 'evenodd' as const }),
    });
  }
  const { line } = shape;
  if (line && line.width > 0) out.push(...drawLine(line, commands, transform));
  return out;
}

/** Shapes with the groups they still have to be put into, outermost first. */
interface Entry {
  readonly groups: readonly number[];
  readonly items: readonly DrawItem[];
}

/** The groups that a shape lies in, outermost first. */
function groupsOf(all: readonly ArtGroup[], { group }: ArtShape): number[] {
  const around: number[] = [];
  for (let at = group; at !== undefined; at = all[at]!.group) around.unshift(at);
  return around;
}

/** Shapes as they are painted, put into their groups; those of one group lie next to one another. */
function nested(entries: readonly Entry[], all: readonly ArtGroup[], placed: Matrix): DrawItem[] {
  const out: DrawItem[] = [];
  for (let i = 0; i < entries.length;) {
    const [outermost] = entries[i]!.groups;
    if (outermost === undefined) {
      out.push(...entries[i++]!.items);
      continue;
    }
    const own: Entry[] = [];
    for (; i < entries.length && entries[i]!.groups[0] === outermost; i++)
      own.push({ ...entries[i]!, groups: entries[i]!.groups.slice(1) });
    const { opacity, blend, matte } = all[outermost]!;
    const items = nested(own, all, placed);
    if (items.length === 0) continue;
    out.push({
      kind: 'group',
      items: matte ? [...items, matteOf(matte, all, placed)] : items,
      opacity,
      ...(blend && { blend }),
    });
  }
  return out;
}

const entriesOf = (shapes: readonly ArtShape[], all: readonly ArtGroup[], placed: Matrix): Entry[] =>
  shapes.map((shape) => ({ groups: groupsOf(all, shape), items: drawShape(shape, placed) }));

/** What a group is seen through. */
function matteOf(
  { by, shapes }: NonNullable<ArtGroup['matte']>,
  all: readonly ArtGroup[],
  placed: Matrix,
): DrawItem {
  const items = nested(entriesOf(shapes, all, placed), all, placed);
  const [only] = items;
  if (by === 'shape' && items.length === 1 && only!.kind === 'fill') return { ...only!, operator: 'keep' };
  return {
    kind: 'group',
    items,
    opacity: 1,
    operator: 'keep',
    ...(by === 'brightness' && { filters: [{ kind: 'alpha from brightness' }] }),
  };
}

/** Items as one, so that none shows through another and none blends with what lies under all of them. */
export const asOne = (items: readonly DrawItem[], opacity: number): readonly DrawItem[] => {
  const [only] = items;
  if (items.length === 1 && only!.kind !== 'group') return [{ ...only!, opacity: only!.opacity * opacity }];
  const blends = items.some((item) => item.blend !== undefined);
  return items.length > 0 && (opacity < 1 || blends) ? [{ kind: 'group', items, opacity }] : items;
};

/** Art as it stands. */
const drawArt = ({ shapes, groups = [], transform, opacity }: Art): readonly DrawItem[] =>
  asOne(nested(entriesOf(shapes, groups, transform), groups, transform), opacity);

/** Art as it stands, shape by shape, each in groups of its own. */
const drawShapes = ({ shapes, groups = [], transform, opacity }: Art): (readonly DrawItem[])[] =>
  entriesOf(shapes, groups, transform).map((entry) => asOne(nested([entry], groups, transform), opacity));

/** Letters as they stand, one fill each. */
const drawLetters = (lettering: Lettering): DrawItem[][] =>
  letterOutlines(lettering).map((path, i) =>
    path.length > 0
      ? [{ kind: 'fill', path, colour: colourOfGlyph(lettering, i), opacity: lettering.opacity }]
      : [],
  );

/** All letters of a colour as one fill, so that none shows through another where they meet. */
function drawLettering(lettering: Lettering): readonly DrawItem[] {
  const outlines = letterOutlines(lettering);
  const fills = glyphsByColour(lettering, outlines.keys()).flatMap(({ colour, glyphs }): DrawItem[] => {
    const path = glyphs.flatMap((i) => outlines[i]!);
    return path.length > 0 ? [{ kind: 'fill', path, colour, opacity: 1 }] : [];
  });
  return asOne(fills, lettering.opacity);
}

const still = new WeakMap<Layer, readonly DrawItem[]>();
const stillParts = new WeakMap<Layer, readonly (readonly DrawItem[])[]>();

const isSeen = (layer: Artwork): boolean => !layer.hidden && layer.opacity > 0;

/** What art or lettering shows shape by shape, or letter by letter: the same items as long as it is the same layer. */
export function partItems(layer: Artwork): readonly (readonly DrawItem[])[] {
  let items = stillParts.get(layer);
  if (!items) {
    items = !isSeen(layer) ? [] : layer.type === 'art' ? drawShapes(layer) : drawLetters(layer);
    stillParts.set(layer, items);
  }
  return items;
}

/** What art or lettering shows: the same items as long as it is the same layer. */
export function artItems(layer: Artwork): readonly DrawItem[] {
  let items = still.get(layer);
  if (!items) {
    items = !isSeen(layer) ? [] : layer.type === 'art' ? drawArt(layer) : drawLettering(layer);
    still.set(layer, items);
  }
  return items;
}
