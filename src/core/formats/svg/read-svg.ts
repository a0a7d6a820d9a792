import type { ArtGroup, ArtShape } from '../../document';
import { IDENTITY } from '../../geometry';
import { drawElement } from './draw-element';
import { SvgError } from './fault';
import { keyframeRules } from './keyframe-rules';
import type { MovingLine } from './moving-line';
import { computed, FIRST } from './properties';
import { rectangleShape, type Reading } from './reading';
import { cascadeOf } from './styles';
import { colourOf, lengthOf, viewBoxOf } from './values';
import { readXml, type Element } from './xml';

/** What was read of an SVG file. */
export interface ReadSvg {
  /** Size of the picture in CSS pixels. */
  readonly width: number;
  readonly height: number;
  readonly shapes: readonly ArtShape[];
  readonly groups: readonly ArtGroup[];
  /** Lines among the shapes that are written by their dashes, with their timing. */
  readonly moving: readonly MovingLine[];
  /** In words, what the file holds that is not shown, or not as it should be, each once. */
  readonly leftOut: readonly string[];
}

/** The size of a picture (SVG 2, 8.2, and CSS Images 3, 5): as its sides say, else in proportion to its viewBox. */
function sizeOf(root: Element, d: Readonly<Record<string, string>>): { width: number; height: number } {
  const [, , boxWidth, boxHeight] = viewBoxOf(root.attributes.viewBox) ?? [0, 0, 300, 150];
  let width = lengthOf(d.width, boxWidth);
  let height = lengthOf(d.height, boxHeight);
  // One side alone follows the proportions of the viewBox.
  if (width === null && height !== null) width = (height * boxWidth) / boxHeight;
  if (height === null && width !== null) height = (width * boxHeight) / boxWidth;
  const size = { width: width ?? boxWidth, height: height ?? boxHeight };
  if (!(size.width > 0) || !(size.height > 0)) throw new SvgError('The picture has no size.');
  return size;
}

/** Only the groups that shapes lie in, in their order. */
function withoutEmptyGroups(
  shapes: readonly ArtShape[],
  groups: readonly ArtGroup[],
): Pick<ReadSvg, 'shapes' | 'groups'> {
  const used = new Set<number>();
  const count = (all: readonly ArtShape[]): void => {
    for (const shape of all)
      for (let at = shape.group; at !== undefined && !used.has(at); at = groups[at]!.group) {
        used.add(at);
        count(groups[at]!.matte?.shapes ?? []);
      }
  };
  count(shapes);
  const names = new Map([...used].sort((a, b) => a - b).map((index, i) => [index, i]));
  const renamed = <T extends { readonly group?: number }>(one: T): T =>
    one.group === undefined ? one : { ...one, group: names.get(one.group)! };
  return {
    shapes: shapes.map(renamed),
    groups: [...names.keys()].map((index) => {
      const group = renamed(groups[index]!);
      const { matte } = group;
      return matte ? { ...group, matte: { ...matte, shapes: matte.shapes.map(renamed) } } : group;
    }),
  };
}

/**
 * Reads an SVG file into shapes of our own: nothing of it is ever run, fetched or kept otherwise. Drawn as SVG 2 has
 * it, apart from what `leftOut` names.
 * @throws SvgError in words when there is no picture to be had.
 */
export function readSvg(source: string): ReadSvg {
  const root = readXml(source);
  const leftOut = new Set<string>();
  const byId = new Map<string, Element>();
  const sheets: string[] = [];
  const collect = (element: Element): void => {
    const { id } = element.attributes;
    if (id && !byId.has(id)) byId.set(id, element);
    if (element.name === 'style') sheets.push(element.text);
    element.children.forEach(collect);
  };
  collect(root);
  const cascade = cascadeOf(sheets, leftOut);
  const shapes: ArtShape[] = [];
  const reading: Reading = {
    byId,
    cascade,
    leftOut,
    groups: [],
    keyframes: keyframeRules(sheets),
    moving: [],
    spent: { drawn: 0, commands: 0 },
    draw: (element, place) => drawElement(reading, element, place),
  };
  const { own } = computed(cascade(root), FIRST);
  const size = sizeOf(root, own);
  const ground = colourOf((own['background-color'] ?? own.background ?? '').trim());
  if (ground && ground.opacity > 0) {
    const edges = { left: 0, top: 0, right: size.width, bottom: size.height };
    shapes.push({ ...rectangleShape(edges, IDENTITY, ground.colour), fillOpacity: ground.opacity });
  }
  drawElement(reading, root, {
    inherited: FIRST,
    matrix: IDENTITY,
    view: size,
    into: shapes,
    group: undefined,
    using: new Set(),
    clips: false,
  });
  const { groups, moving } = reading;
  return { ...size, ...withoutEmptyGroups(shapes, groups), moving, leftOut: [...leftOut] };
}
