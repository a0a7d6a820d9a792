import type { ArtGradient, ArtPaint } from '../../document';
import {
  applyMatrix,
  compose,
  IDENTITY,
  inverse,
  type Bounds,
  type Matrix,
  type Point,
} from '../../geometry';
import { mappedGradient } from '../../ink';
import { clamp } from '../../numbers';
import { computed } from './properties';
import { inheritedAt, withTemplates, type Reading } from './reading';
import { colourOf, lengthOf, transformOf } from './values';
import type { Element } from './xml';

type Stops = ArtGradient['stops'];

/** How often a gradient that is repeated is laid out at the most; beyond that its bands are finer than anyone sees. */
const MOST_REPEATS = 200;

const share = (text: string | undefined, without: number): number => {
  const value = text === undefined ? null : lengthOf(text, 1);
  return value === null ? without : clamp(value, 0, 1);
};

/** The stops of a gradient, none before the one it follows (SVG 2, 14.2.4). */
function stopsOf(reading: Reading, holder: Element): Stops {
  let least = 0;
  return holder.children
    .filter((child) => child.name === 'stop')
    .map((stop) => {
      const { own, inherited } = computed(reading.cascade(stop), inheritedAt(reading, holder));
      const said = own['stop-color'] ?? 'black';
      const colour = colourOf(/^currentcolor$/i.test(said) ? inherited.style.color : said);
      least = Math.max(least, share(own.offset, 0));
      return {
        at: least,
        colour: colour?.colour ?? '#000000',
        opacity: (colour?.opacity ?? 1) * share(own['stop-opacity'], 1),
      };
    });
}

/** Stops laid out so many times one after another, every second time turned round where they are reflected. */
function repeated(stops: Stops, from: number, to: number, reflects: boolean): Stops {
  const count = to - from;
  return Array.from({ length: count }, (_, i) => {
    const turned = reflects && Math.abs(from + i) % 2 === 1;
    const own = turned ? stops.map((stop) => ({ ...stop, at: 1 - stop.at })).reverse() : stops;
    // Each time reaches from end to end, so that the one beside it begins where it should.
    const ended = [
      ...(own[0]!.at > 0 ? [{ ...own[0]!, at: 0 }] : []),
      ...own,
      ...(own.at(-1)!.at < 1 ? [{ ...own.at(-1)!, at: 1 }] : []),
    ];
    return ended.map((stop) => ({ ...stop, at: (i + stop.at) / count }));
  }).flat();
}

/** A gradient as one colour where it is one, and how far that covers. */
const plain = (stop: Stops[number]): { paint: ArtPaint; opacity: number } => ({
  paint: stop.colour,
  opacity: stop.opacity,
});

const corners = ({ left, top, right, bottom }: Bounds): Point[] => [
  { x: left, y: top },
  { x: right, y: top },
  { x: left, y: bottom },
  { x: right, y: bottom },
];

/**
 * What a gradient of a file paints a shape with; null for nothing at all.
 * @param box of the shape, in its own units.
 * @param reach of its ink, which a repeated gradient is laid out to cover.
 */
export function gradientPaint(
  reading: Reading,
  element: Element,
  view: { readonly width: number; readonly height: number },
  box: Bounds,
  reach: Bounds,
): { readonly paint: ArtPaint; readonly opacity: number } | null {
  const { attributes: a, holder } = withTemplates(reading, element);
  const stops = stopsOf(reading, holder);
  const last = stops.at(-1);
  if (!last) return null;
  if (stops.length === 1) return plain(last);
  const ofBox = a.gradientUnits !== 'userSpaceOnUse';
  const [width, height] = [box.right - box.left, box.bottom - box.top];
  if (ofBox && (width <= 0 || height <= 0)) return null;
  const units: Matrix = ofBox ? [width, 0, 0, height, box.left, box.top] : IDENTITY;
  const own = transformOf(a.gradientTransform, view) ?? IDENTITY;
  const m = compose(units, own);
  const back = inverse(m);
  if (!back) return plain(last);
  const whole = ofBox ? { width: 1, height: 1 } : view;
  const diagonal = Math.hypot(whole.width, whole.height) / Math.SQRT2;
  const length = (name: string, without: string, of: number): number =>
    lengthOf(a[name], of) ?? lengthOf(without, of)!;
  const spread = a.spreadMethod ?? 'pad';
  const reflects = spread === 'reflect';
  const repeats = reflects || spread === 'repeat';
  const tooOften = (): void => {
    reading.leftOut.add('gradients repeated more often than can be seen');
  };

  if (element.name === 'linearGradient') {
    let from = { x: length('x1', '0%', whole.width), y: length('y1', '0%', whole.height) };
    let to = { x: length('x2', '100%', whole.width), y: length('y2', '0%', whole.height) };
    const [dx, dy] = [to.x - from.x, to.y - from.y];
    const square = dx * dx + dy * dy;
    if (square === 0) return plain(last);
    let laid = stops;
    if (repeats) {
      const at = corners(reach).map((corner) => {
        const p = applyMatrix(back, corner);
        return ((p.x - from.x) * dx + (p.y - from.y) * dy) / square;
      });
      const [first, end] = [Math.floor(Math.min(...at)), Math.max(Math.ceil(Math.max(...at)), 1)];
      if (end - first > MOST_REPEATS) tooOften();
      else {
        laid = repeated(stops, first, end, reflects);
        [from, to] = [
          { x: from.x + dx * first, y: from.y + dy * first },
          { x: from.x + dx * end, y: from.y + dy * end },
        ];
      }
    }
    return { paint: { kind: 'linear', ...mappedGradient({ from, to, stops: laid }, m) }, opacity: 1 };
  }

  const centre = { x: length('cx', '50%', whole.width), y: length('cy', '50%', whole.height) };
  const radius = length('r', '50%', diagonal);
  if (!(radius > 0)) return plain(last);
  const focus = {
    x: lengthOf(a.fx, whole.width) ?? centre.x,
    y: lengthOf(a.fy, whole.height) ?? centre.y,
  };
  const focusRadius = Math.max(0, lengthOf(a.fr, diagonal) ?? 0);
  let [laid, to, end] = [stops, centre, radius];
  if (repeats) {
    const far = Math.max(
      ...corners(reach).map((corner) => {
        const p = applyMatrix(back, corner);
        return Math.hypot(p.x - centre.x, p.y - centre.y);
      }),
    );
    // Where its focus lies aside, circles grow slowest on that side.
    const aside = Math.hypot(focus.x - centre.x, focus.y - centre.y);
    const slowest = Math.max(1e-3 * radius, radius - focusRadius - aside);
    const times = Math.max(1, Math.ceil((far + aside) / slowest));
    if (times > MOST_REPEATS) tooOften();
    else {
      laid = repeated(stops, 0, times, reflects);
      to = { x: focus.x + (centre.x - focus.x) * times, y: focus.y + (centre.y - focus.y) * times };
      end = focusRadius + (radius - focusRadius) * times;
    }
  }
  return {
    paint: { kind: 'radial', centre: to, radius: end, focus, focusRadius, transform: m, stops: laid },
    opacity: 1,
  };
}
