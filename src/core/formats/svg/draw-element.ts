import type { ArtGroup } from '../../document';
import { tightBounds, compose, IDENTITY, translation, type Bounds, type Matrix } from '../../geometry';
import { blendOf, drawShape, share } from './draw-shape';
import { clipMatte, drawnBox, maskMatte } from './mattes';
import { computed } from './properties';
import { dissolve, drawWithin, localId, openGroup, spend, type Place, type Reading } from './reading';
import { outlineOf, type Viewport } from './shapes';
import type { Declarations } from './styles';
import { about, lengthOf, viewBoxOf, originOf, transformOf, viewBoxMatrix } from './values';
import type { Element } from './xml';

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
  ...['defs', 'style', 'symbol', 'clipPath', 'mask', 'pattern', 'marker', 'filter', 'linearGradient'],
  ...['radialGradient', 'title', 'desc', 'metadata'],
]);

/** Whether the language of the interface is among those an element is for (SVG 2, 5.7.5). */
const isForUs = ({ attributes: { systemLanguage, requiredExtensions } }: Element): boolean =>
  (systemLanguage === undefined || systemLanguage.split(/[\s,]+/).some((tag) => /^en\b/i.test(tag))) &&
  !requiredExtensions;

/** The matrix of an element's own transform, about its origin. */
function ownMatrix(reading: Reading, element: Element, d: Declarations, view: Viewport): Matrix {
  const own = transformOf(d.transform, view) ?? IDENTITY;
  const said = d['transform-origin'];
  const box = d['transform-box'];
  const ofItself = box !== undefined && /^(fill-box|content-box|stroke-box|border-box)$/.test(box);
  if (own === IDENTITY || (said === undefined && !ofItself)) return own;
  let around = { x: 0, y: 0, width: view.width, height: view.height };
  if (ofItself) {
    const outline = outlineOf(element.name, d, view, 1e5);
    const bounds = outline && tightBounds(outline);
    if (bounds) {
      const { left, top, right, bottom } = bounds;
      around = { x: left, y: top, width: right - left, height: bottom - top };
    } else if (!outline) reading.leftOut.add('transforms of groups about their own middle');
  }
  // Where it is not said the origin of an SVG element is its box's corner.
  const { x, y } = originOf(said ?? '0 0', around);
  return about(own, x, y);
}

/** Draws what an element holds, inside a group for what is done to it as a whole. */
function drawTogether(reading: Reading, d: Declarations, place: Place, draw: (place: Place) => void): void {
  const opacity = d.opacity === undefined || place.clips ? 1 : share(d.opacity);
  if (opacity === 0) return;
  const blend = place.clips ? null : blendOf(d['mix-blend-mode']);
  if (d['mix-blend-mode'] && !blend && d['mix-blend-mode'] !== 'normal')
    reading.leftOut.add(`the blend mode ${d['mix-blend-mode']}`);
  const clip = d['clip-path'] && d['clip-path'] !== 'none' ? d['clip-path'] : null;
  const mask = d.mask && d.mask !== 'none' && !place.clips ? d.mask : null;
  if (opacity === 1 && !blend && !clip && !mask) return draw(place);
  const from = place.into.length;
  const outer = place.group === undefined ? {} : { group: place.group };
  const plain: ArtGroup = { ...outer, opacity, ...(blend && { blend }) };
  const first = openGroup(reading, plain);
  const second = clip && mask ? openGroup(reading, { group: first, opacity: 1 }) : first;
  draw({ ...place, group: second });
  const box: Bounds | null = clip || mask ? drawnBox(place, from) : null;
  const masked = mask ? maskMatte(reading, mask, place, box) : null;
  const clipped = clip ? clipMatte(reading, clip, place, box) : null;
  if (clip && mask) {
    if (masked) reading.groups[first] = { ...plain, matte: masked };
    if (clipped) reading.groups[second] = { group: first, opacity: 1, matte: clipped };
    return;
  }
  const matte = masked ?? clipped;
  if (matte) {
    reading.groups[first] = { ...plain, matte };
    return;
  }
  // One paint alone can be as faint itself: that needs no canvas of its own.
  const only = place.into.length === from + 1 ? place.into[from]! : null;
  const single = only && only.group === first && (only.fill === null) !== (only.line === null);
  if (blend || (opacity < 1 && !single)) return;
  if (single)
    place.into[from] = {
      ...only,
      fillOpacity: only.fillOpacity * opacity,
      line: only.line && { ...only.line, opacity: only.line.opacity * opacity },
    };
  dissolve(reading, first, place.into, from);
}

/** Draws an element of a file with all it holds. */
export function drawElement(reading: Reading, element: Element, place: Place): void {
  const reason = LEFT_OUT[element.name];
  if (reason) {
    reading.leftOut.add(reason);
    return;
  }
  if (UNSEEN.has(element.name) || !isForUs(element)) return;
  const { own: d, inherited } = computed(reading.cascade(element), place.inherited);
  if (d.display === 'none') return;
  if (d.filter && d.filter !== 'none') reading.leftOut.add('filters');
  const matrix = compose(place.matrix, ownMatrix(reading, element, d, place.view));
  drawTogether(reading, d, { ...place, inherited, matrix }, (here) => drawContent(reading, element, d, here));
}

const children = (reading: Reading, element: Element, place: Place): void =>
  element.children.forEach((child) => reading.draw(child, place));

function drawContent(reading: Reading, element: Element, d: Declarations, here: Place): void {
  switch (element.name) {
    case 'svg':
      drawViewport(reading, element, d, here, { x: d.x, y: d.y, width: d.width, height: d.height });
      break;
    case 'use':
      drawUse(reading, element, d, here);
      break;
    case 'switch': {
      const chosen = element.children.find(isForUs);
      if (chosen) reading.draw(chosen, here);
      break;
    }
    case 'g':
    case 'a':
      children(reading, element, here);
      break;
    default:
      drawShape(reading, element, d, here);
  }
}

type Sides = Record<'x' | 'y' | 'width' | 'height', string | undefined>;

/** Draws what stands in a viewport of its own, cut off at its edges unless it is told to overflow (SVG 2, 8.2). */
function drawViewport(reading: Reading, element: Element, d: Declarations, here: Place, sides: Sides): void {
  const { view } = here;
  const isRoot = element.parent === null;
  const x = isRoot ? 0 : (lengthOf(sides.x, view.width) ?? 0);
  const y = isRoot ? 0 : (lengthOf(sides.y, view.height) ?? 0);
  const width = isRoot ? view.width : (lengthOf(sides.width, view.width) ?? view.width);
  const height = isRoot ? view.height : (lengthOf(sides.height, view.height) ?? view.height);
  if (!(width > 0 && height > 0)) return;
  const corner = compose(here.matrix, translation(x, y));
  const viewBox = viewBoxOf(element.attributes.viewBox);
  const inside: Place = {
    ...here,
    matrix: viewBox
      ? compose(corner, viewBoxMatrix(viewBox, width, height, element.attributes.preserveAspectRatio))
      : corner,
    view: viewBox ? { width: viewBox[2], height: viewBox[3] } : { width, height },
  };
  const all = (at: Place): void => children(reading, element, at);
  if (/^(visible|auto)$/.test(d.overflow ?? '') && !isRoot) all(inside);
  else drawWithin(reading, inside, { left: 0, top: 0, right: width, bottom: height }, corner, all);
}

/** Draws what another element stands for (SVG 2, 5.6). */
function drawUse(reading: Reading, element: Element, d: Declarations, here: Place): void {
  const reference = element.attributes.href;
  const target = reading.byId.get(localId(reference) ?? '');
  if (!target) {
    if (reference && !reference.startsWith('#')) reading.leftOut.add('references to other files');
    return;
  }
  const isAround = (at: Element | null): boolean => at !== null && (at === target || isAround(at.parent));
  if (here.using.has(target) || isAround(element)) return;
  const x = lengthOf(d.x, here.view.width) ?? 0;
  const y = lengthOf(d.y, here.view.height) ?? 0;
  const moved: Place = {
    ...here,
    matrix: compose(here.matrix, translation(x, y)),
    using: new Set([...here.using, target]),
  };
  spend(reading);
  if (target.name !== 'symbol' && target.name !== 'svg') {
    reading.draw(target, moved);
    return;
  }
  const { own, inherited } = computed(reading.cascade(target), moved.inherited);
  if (own.display === 'none') return;
  const sides: Sides = {
    x: own.x,
    y: own.y,
    width: d.width ?? own.width,
    height: d.height ?? own.height,
  };
  const matrix = compose(moved.matrix, ownMatrix(reading, target, own, moved.view));
  drawTogether(reading, own, { ...moved, inherited, matrix }, (at) =>
    drawViewport(reading, target, own, at, sides),
  );
}
