import { changed, type ArtGroup, type ArtShape } from '../../document';
import {
  tightBounds,
  commandsOf,
  compose,
  inverse,
  meanScale,
  transformCommands,
  unite,
  widened,
  type Bounds,
  type Matrix,
} from '../../geometry';
import { SvgError } from './fault';
import type { KeyframeRule } from './keyframe-rules';
import type { MovingLine } from './moving-line';
import { computed, FIRST, type Inherited } from './properties';
import type { Viewport } from './shapes';
import type { Declarations } from './styles';
import { SVG_LIMITS, type Element } from './xml';

/** Where and how an element is drawn. */
export interface Place {
  readonly inherited: Inherited;
  /** From its units to the picture's. */
  readonly matrix: Matrix;
  readonly view: Viewport;
  /** The list that takes its shapes: the picture's, or that of something others are seen through. */
  readonly into: ArtShape[];
  /** The group that it lies in. */
  readonly group: number | undefined;
  /** Elements being used or looked through, so that none is drawn within itself. */
  readonly using: ReadonlySet<Element>;
  /** Only where it lies counts: it is drawn to clip by. */
  readonly clips: boolean;
}

/** One file while it is read. */
export interface Reading {
  readonly byId: ReadonlyMap<string, Element>;
  readonly cascade: (element: Element) => Declarations;
  /** In words, what is not shown as it should be, each once. */
  readonly leftOut: Set<string>;
  readonly groups: ArtGroup[];
  readonly keyframes: ReadonlyMap<string, readonly KeyframeRule[]>;
  /** Lines that are written by their dashes. */
  readonly moving: MovingLine[];
  /** Shapes and lines drawn so far. */
  readonly spent: { drawn: number; commands: number };
  /** Draws an element with all it holds. */
  readonly draw: (element: Element, place: Place) => void;
}

/** Counts something that is drawn. */
export function spend({ spent }: Reading): void {
  if (++spent.drawn > SVG_LIMITS.drawn)
    throw new SvgError(`The picture draws more than ${SVG_LIMITS.drawn} shapes.`);
}

/** The id that a reference within the file names; null where it names none. */
export const localId = (reference: string | undefined): string | null =>
  /^(?:url\(\s*["']?)?#([^"')]+)["']?\s*\)?/.exec((reference ?? '').trim())?.[1] ?? null;

/** What an element inherits where it stands in the file, as gradients and masks do. */
export function inheritedAt({ cascade }: Reading, element: Element): Inherited {
  const above: Element[] = [];
  for (let at: Element | null = element; at; at = at.parent) above.unshift(at);
  return above.reduce((from, one) => computed(cascade(one), from).inherited, FIRST);
}

/** The attributes of an element and of what it names by href, its own first; and the first of them that holds any children. */
export function withTemplates(
  { byId }: Reading,
  element: Element,
): { readonly attributes: Readonly<Record<string, string>>; readonly holder: Element } {
  const chain: Element[] = [];
  for (
    let at: Element | undefined = element;
    at && !chain.includes(at) && chain.length < 20;
    at = byId.get(localId(at.attributes.href) ?? '')
  )
    chain.push(at);
  return {
    attributes: Object.assign({}, ...chain.toReversed().map(({ attributes }) => attributes)) as Record<
      string,
      string
    >,
    holder: chain.find(({ children }) => children.length > 0) ?? element,
  };
}

/** Opens a group; what it lies in stands before it. */
export function openGroup(reading: Reading, group: ArtGroup): number {
  if (reading.groups.length >= 5000) throw new SvgError('The picture has more than 5000 groups.');
  return reading.groups.push(group) - 1;
}

/** Takes a group away that turned out to do nothing: what lay in it lies in what it lay in. */
export function dissolve({ groups }: Reading, index: number, shapes: ArtShape[], from: number): void {
  const parent = groups[index]!.group;
  const moved = <T extends { readonly group?: number }>(one: T): T => {
    if (one.group !== index) return one;
    return changed<{ readonly group?: number }>(one, { group: parent }) as T;
  };
  for (let i = from; i < shapes.length; i++) shapes[i] = moved(shapes[i]!);
  for (let i = index + 1; i < groups.length; i++) groups[i] = moved(groups[i]!);
}

/** The box of shapes in the units of a matrix, their lines not counted (SVG 2, 8.10); null where there is none. */
export function boxIn(matrix: Matrix, shapes: readonly ArtShape[], withLines = false): Bounds | null {
  const back = inverse(matrix);
  if (!back) return null;
  const boxes = shapes.flatMap(({ data, transform, line }) => {
    const m = compose(back, transform);
    const box = tightBounds(transformCommands(commandsOf(data), m));
    if (!box) return [];
    return withLines && line ? widened(box, (line.width / 2) * meanScale(m) * Math.SQRT2) : box;
  });
  return unite(boxes);
}

/** A rectangle as a shape to clip by. */
export const rectangleShape = (
  { left, top, right, bottom }: Bounds,
  transform: Matrix,
  fill = '#000000',
): ArtShape => ({
  data: `M${left} ${top}L${right} ${top}L${right} ${bottom}L${left} ${bottom}Z`,
  fill,
  fillOpacity: 1,
  rule: 'nonzero',
  line: null,
  transform,
});

/**
 * Draws something cut off at the edges of a box, where it reaches beyond them.
 * @param box in the units of `matrix`.
 */
export function drawWithin(
  reading: Reading,
  place: Place,
  box: Bounds,
  matrix: Matrix,
  draw: (place: Place) => void,
): void {
  const from = place.into.length;
  const parent = place.group === undefined ? {} : { group: place.group };
  const index = openGroup(reading, { ...parent, opacity: 1 });
  draw({ ...place, group: index });
  const own = boxIn(matrix, place.into.slice(from), true);
  const room = 1e-3 * Math.max(1, box.right - box.left);
  const inside =
    !own ||
    (own.left >= box.left - room &&
      own.top >= box.top - room &&
      own.right <= box.right + room &&
      own.bottom <= box.bottom + room);
  if (inside) dissolve(reading, index, place.into, from);
  else
    reading.groups[index] = {
      ...parent,
      opacity: 1,
      matte: { by: 'shape', shapes: [rectangleShape(box, matrix)] },
    };
}
