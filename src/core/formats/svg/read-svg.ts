import type { ArtShape } from '../../document';
import { compose, IDENTITY, meanScale, pathData, translation, type Matrix } from '../../geometry';
import { outlineOf, type Viewport } from './shapes';
import { cascade, readStyles, type Declarations, type StyleSheet } from './styles';
import { colourOf, lengthOf, numbersIn, transformOf, viewBoxMatrix, type Paint } from './values';
import { readXml, SVG_LIMITS, SvgError, type Element } from './xml';

/** What was read of an SVG file. */
export interface ReadSvg {
  /** Size of the picture in CSS pixels. */
  readonly width: number;
  readonly height: number;
  readonly shapes: readonly ArtShape[];
  /** In words, what the file holds that is not shown, each once. */
  readonly leftOut: readonly string[];
}

/** Properties that children take over from their parents. */
interface Style {
  readonly fill: string;
  readonly stroke: string;
  readonly color: string;
  readonly 'fill-rule': string;
  readonly 'fill-opacity': string;
  readonly 'stroke-opacity': string;
  readonly 'stroke-width': string;
  readonly 'stroke-linecap': string;
  readonly 'stroke-linejoin': string;
  readonly 'stroke-miterlimit': string;
  readonly 'stroke-dasharray': string;
  readonly 'stroke-dashoffset': string;
  readonly visibility: string;
}

/** Initial values, SVG 2, 13 and CSS. */
const INITIAL: Style = {
  fill: 'black',
  stroke: 'none',
  color: 'black',
  'fill-rule': 'nonzero',
  'fill-opacity': '1',
  'stroke-opacity': '1',
  'stroke-width': '1',
  'stroke-linecap': 'butt',
  'stroke-linejoin': 'miter',
  'stroke-miterlimit': '4',
  'stroke-dasharray': 'none',
  'stroke-dashoffset': '0',
  visibility: 'visible',
};

/** Elements that are no picture of their own, or not ours to run; in words for the list. */
const LEFT_OUT: Record<string, string> = {
  script: 'scripts',
  image: 'embedded pictures',
  text: 'text (turn it into outlines, or set it anew as lettering)',
  foreignObject: 'foreign content',
  animate: 'animations',
  animateTransform: 'animations',
  animateMotion: 'animations',
  set: 'animations',
  video: 'video and sound',
  audio: 'video and sound',
  iframe: 'foreign content',
};
/** Elements that are only used by others. */
const UNSEEN = new Set([
  'defs',
  'style',
  'symbol',
  'clipPath',
  'mask',
  'pattern',
  'marker',
  'filter',
  'linearGradient',
  'radialGradient',
  'title',
  'desc',
  'metadata',
]);

interface Walk {
  readonly style: Style;
  readonly matrix: Matrix;
  readonly opacity: number;
  readonly view: Viewport;
  readonly above: readonly Element[];
  /** Elements being used, so that none is drawn within itself. */
  readonly using: ReadonlySet<Element>;
}

const localId = (reference: string | undefined): string | null =>
  /^(?:url\(\s*["']?)?#([^"')]+)["']?\s*\)?/.exec((reference ?? '').trim())?.[1] ?? null;

const share = (text: string): number => {
  const value = lengthOf(text, 1);
  return value === null ? 1 : Math.min(1, Math.max(0, value));
};

/**
 * Reads an SVG file into shapes of our own: nothing of it is ever run, fetched or kept otherwise. Drawn as SVG 2 has
 * it, apart from what `leftOut` names.
 * @throws SvgError in words when there is no picture to be had.
 */
export function readSvg(source: string): ReadSvg {
  const { root, foreign } = readXml(source);
  const leftOut = new Set<string>();
  if (foreign) leftOut.add('elements of other languages');
  const byId = new Map<string, Element>();
  const sheets: StyleSheet[] = [];
  const collect = (element: Element): void => {
    const { id } = element.attributes;
    if (id && !byId.has(id)) byId.set(id, element);
    if (element.name === 'style') {
      const sheet = readStyles(element.text);
      sheets.push(sheet);
      for (const rule of sheet.leftOut) leftOut.add(`the style rule ${rule.slice(0, 40)}`);
    }
    for (const name of Object.keys(element.attributes)) if (/^on/i.test(name)) leftOut.add('event handlers');
    element.children.forEach(collect);
  };
  collect(root);
  const shapes: ArtShape[] = [];
  let drawn = 0;

  const gradientColour = (element: Element, depth = 0): Paint | null => {
    const stops = element.children.filter((child) => child.name === 'stop');
    if (stops.length === 0 && depth < 10) {
      const other = byId.get(localId(element.attributes.href) ?? '');
      return other ? gradientColour(other, depth + 1) : null;
    }
    const middle = stops[stops.length >> 1];
    if (!middle) return null;
    const d = cascade(middle, [], sheets);
    const colour = colourOf(d['stop-color'] ?? 'black');
    return colour && { ...colour, opacity: colour.opacity * share(d['stop-opacity'] ?? '1') };
  };

  const paintOf = (text: string, style: Style): Paint | null => {
    const value = text.trim();
    if (value === 'none' || value === 'transparent') return null;
    if (value.toLowerCase() === 'currentcolor') return colourOf(style.color);
    if (!value.startsWith('url(')) return colourOf(value) ?? colourOf('black');
    const target = byId.get(localId(value) ?? '');
    if (target?.name === 'linearGradient' || target?.name === 'radialGradient') {
      leftOut.add('gradients (drawn in their middle colour)');
      return gradientColour(target);
    }
    leftOut.add(target ? 'patterns' : 'references to what is not in the file');
    const fallback = value.replace(/^url\([^)]*\)\s*/, '');
    return fallback && fallback !== 'none' ? colourOf(fallback) : null;
  };

  const addShape = (element: Element, d: Declarations, { style, matrix, opacity, view }: Walk): void => {
    const outline = outlineOf(element.name, d, view);
    if (!outline) return;
    if (outline.fault) leftOut.add('the rest of a path with a fault in it');
    if (outline.commands.length === 0 || style.visibility !== 'visible') return;
    if (++drawn > SVG_LIMITS.drawn)
      throw new SvgError(`The picture draws more than ${SVG_LIMITS.drawn} shapes.`);
    for (const marker of ['marker-start', 'marker-mid', 'marker-end', 'marker'])
      if (d[marker] && d[marker] !== 'none') leftOut.add('markers');
    const fill = element.name === 'line' ? null : paintOf(style.fill, style);
    const stroke = paintOf(style.stroke, style);
    const width = lengthOf(style['stroke-width'], Math.hypot(view.width, view.height) / Math.SQRT2) ?? 1;
    const dashes = style['stroke-dasharray'] === 'none' ? [] : numbersIn(style['stroke-dasharray']);
    const solid = dashes.some((n) => n < 0) || dashes.every((n) => n === 0);
    const line =
      stroke && width > 0
        ? {
            colour: stroke.colour,
            opacity: stroke.opacity * share(style['stroke-opacity']),
            width: Math.min(4000, width),
            cap: { butt: 'flat', round: 'round', square: 'square' }[style['stroke-linecap']] as
              'flat' | undefined,
            join: { miter: 'miter', round: 'round', bevel: 'bevel' }[style['stroke-linejoin']] as
              'miter' | undefined,
            miterLimit: Math.max(1, lengthOf(style['stroke-miterlimit'], 1) ?? 4),
            dashes: solid ? [] : dashes.slice(0, 50),
            dashPhase: lengthOf(style['stroke-dashoffset'], 1) ?? 0,
          }
        : null;
    if (!fill && !line) return;
    // Enough digits for a two-hundredth of a pixel as the picture is shown, and for being shown ten times as large.
    const digits = Math.min(6, Math.max(2, Math.ceil(Math.log10(Math.max(1, meanScale(matrix)) * 2000)) - 1));
    shapes.push({
      data: pathData(outline.commands, digits),
      fill: fill?.colour ?? null,
      fillOpacity: fill ? fill.opacity * share(style['fill-opacity']) * opacity : 1,
      rule: style['fill-rule'] === 'evenodd' ? 'evenodd' : 'nonzero',
      line: line && {
        ...line,
        opacity: line.opacity * opacity,
        cap: line.cap ?? 'flat',
        join: line.join ?? 'miter',
      },
      transform: matrix,
    });
  };

  const visit = (element: Element, walk: Walk): void => {
    const reason = LEFT_OUT[element.name];
    if (reason) {
      leftOut.add(reason);
      return;
    }
    if (UNSEEN.has(element.name)) return;
    const d = cascade(element, walk.above, sheets);
    if (d.display === 'none') return;
    for (const [property, words] of [
      ['clip-path', 'clipping'],
      ['mask', 'masks'],
      ['filter', 'filters'],
    ] as const)
      if (d[property] && d[property] !== 'none') leftOut.add(words);
    const style = Object.fromEntries(
      Object.entries(walk.style).map(([key, inherited]) => {
        const own = d[key]?.trim();
        return [key, own === undefined || own === '' || own === 'inherit' ? inherited : own];
      }),
    ) as unknown as Style;
    const own = transformOf(d.transform);
    if (!own) leftOut.add('a transform with a fault in it');
    const here: Walk = {
      ...walk,
      style,
      matrix: compose(walk.matrix, own ?? IDENTITY),
      opacity: walk.opacity * (d.opacity === undefined ? 1 : share(d.opacity)),
      above: [...walk.above, element],
    };
    if (here.opacity < 1 && element.children.length > 1 && d.opacity !== undefined) {
      leftOut.add('opacity of whole groups (drawn part by part)');
    }
    const inside = (view: Viewport, matrix: Matrix): void =>
      element.children.forEach((child) => visit(child, { ...here, view, matrix }));
    switch (element.name) {
      case 'svg':
        nested(element, d, here, inside);
        break;
      case 'use':
        drawUse(element, d, here);
        break;
      case 'switch':
        // The first that asks for nothing we lack.
        element.children
          .filter((c) => !c.attributes.requiredExtensions)
          .slice(0, 1)
          .forEach((c) => visit(c, here));
        break;
      case 'g':
      case 'a':
        inside(here.view, here.matrix);
        break;
      default:
        addShape(element, d, here);
    }
  };

  const nested = (
    element: Element,
    d: Declarations,
    here: Walk,
    inside: (view: Viewport, matrix: Matrix) => void,
  ): void => {
    const outer = here.above.length > 1;
    const x = outer ? (lengthOf(d.x, here.view.width) ?? 0) : 0;
    const y = outer ? (lengthOf(d.y, here.view.height) ?? 0) : 0;
    const width = lengthOf(d.width, here.view.width) ?? here.view.width;
    const height = lengthOf(d.height, here.view.height) ?? here.view.height;
    const box = numbersIn(element.attributes.viewBox);
    let matrix = compose(here.matrix, translation(x, y));
    let view: Viewport = { width, height };
    if (box.length === 4 && box[2]! > 0 && box[3]! > 0) {
      matrix = compose(matrix, viewBoxMatrix(box, width, height, element.attributes.preserveAspectRatio));
      view = { width: box[2]!, height: box[3]! };
    }
    inside(view, matrix);
  };

  const drawUse = (element: Element, d: Declarations, here: Walk): void => {
    const reference = element.attributes.href;
    const target = byId.get(localId(reference) ?? '');
    if (!target) {
      leftOut.add(
        reference?.startsWith('#') ? 'references to what is not in the file' : 'references to other files',
      );
      return;
    }
    if (here.using.has(target) || here.above.includes(target)) {
      leftOut.add('an element that uses itself');
      return;
    }
    const x = lengthOf(d.x, here.view.width) ?? 0;
    const y = lengthOf(d.y, here.view.height) ?? 0;
    const moved: Walk = {
      ...here,
      matrix: compose(here.matrix, translation(x, y)),
      using: new Set([...here.using, target]),
    };
    if (++drawn > SVG_LIMITS.drawn)
      throw new SvgError(`The picture draws more than ${SVG_LIMITS.drawn} shapes.`);
    if (target.name !== 'symbol') {
      visit(target, moved);
      return;
    }
    const box = numbersIn(target.attributes.viewBox);
    const width =
      lengthOf(d.width, here.view.width) ??
      lengthOf(target.attributes.width, here.view.width) ??
      here.view.width;
    const height =
      lengthOf(d.height, here.view.height) ??
      lengthOf(target.attributes.height, here.view.height) ??
      here.view.height;
    const fitted =
      box.length === 4 && box[2]! > 0 && box[3]! > 0
        ? {
            ...moved,
            matrix: compose(
              moved.matrix,
              viewBoxMatrix(box, width, height, target.attributes.preserveAspectRatio),
            ),
            view: { width: box[2]!, height: box[3]! },
          }
        : moved;
    // A symbol is drawn like a group.
    visit({ ...target, name: 'g' }, fitted);
  };

  const box = numbersIn(root.attributes.viewBox);
  const [boxWidth, boxHeight] =
    box.length === 4 && box[2]! > 0 && box[3]! > 0 ? [box[2]!, box[3]!] : [300, 150];
  const own = cascade(root, [], sheets);
  let width = lengthOf(own.width, boxWidth);
  let height = lengthOf(own.height, boxHeight);
  // One side alone follows the proportions of the viewBox.
  if (width === null && height !== null) width = (height * boxWidth) / boxHeight;
  if (height === null && width !== null) height = (width * boxHeight) / boxWidth;
  const size = { width: width ?? boxWidth, height: height ?? boxHeight };
  if (!(size.width > 0) || !(size.height > 0)) throw new SvgError('The picture has no size.');
  visit(root, { style: INITIAL, matrix: IDENTITY, opacity: 1, view: size, above: [], using: new Set() });
  return { ...size, shapes, leftOut: [...leftOut] };
}
