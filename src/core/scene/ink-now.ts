import { colourAt, sortedStops, type Stop } from '../colour';
import { stopsListed, type Gradient, type Ink } from '../document';
import {
  dashUnit,
  evenPattern,
  grownPattern,
  marchedBy,
  patternLength,
  type Dashes,
  type DashesNow,
  type Taper,
  type TaperNow,
} from '../ink';
import { isKeyed, valueAt, type Animated } from '../timing';
import type { Moment } from './moment';

type AnyAnimated = Animated | Animated<string>;

const keyedOf = new WeakMap<Ink, readonly AnyAnimated[]>();

/** Everything in an ink that follows keys. */
function keyedIn(ink: Ink): readonly AnyAnimated[] {
  let found = keyedOf.get(ink);
  if (!found) {
    const out: AnyAnimated[] = [];
    const look = (value: unknown): void => {
      if (typeof value !== 'object' || value === null) return;
      if (Object.hasOwn(value, 'keys')) out.push(value as AnyAnimated);
      else Object.values(value).forEach(look);
    };
    look(ink);
    keyedOf.set(ink, (found = out));
  }
  return found;
}

const nowOf = (value: AnyAnimated, frame: number): number | string => {
  if (!isKeyed(value)) return value;
  const [first] = value.keys;
  return typeof first!.value === 'string'
    ? colourAt(value as Animated<string>, frame)
    : valueAt(value as Animated, frame);
};

/** Whether an ink changes by itself, without keys. */
const flows = (ink: Ink): boolean => ink.dashes?.flow === 'march' && ink.dashes.speed.value !== 0;

/** What of an ink differs from moment to moment: where these are the same, so is the ink. */
export const inkSignature = (ink: Ink, moment: Moment): readonly (number | string)[] => [
  ...keyedIn(ink).map((value) => nowOf(value, moment.frame)),
  ...(flows(ink) ? [moment.frame, moment.framesPerSecond, moment.loop] : []),
];

const still = new WeakMap<Gradient, readonly Stop[]>();

/** The colours of a gradient at a frame; the same list each time while nothing in it is keyed. */
export function stopsAt(gradient: Gradient, frame: number): readonly Stop[] {
  const known = still.get(gradient);
  if (known) return known;
  const stops = sortedStops(stopsListed(gradient, frame));
  const keyed = gradient.stops.some(
    (stop) => isKeyed(stop.at) || isKeyed(stop.colour) || isKeyed(stop.opacity),
  );
  if (!keyed) still.set(gradient, stops);
  return stops;
}

/** The dashes of a stroke at a moment, px; null where every dash has shrunk away. */
export function dashesAt(dashes: Dashes, width: number, length: number, moment: Moment): DashesNow | null {
  const unit = dashUnit(dashes.unit, width, length);
  const grow = valueAt(dashes.grow, moment.frame);
  if (grow <= -1) return null;
  const even = evenPattern(dashes.pattern).map((part) => part * unit);
  const period = patternLength(even);
  const marched =
    dashes.flow === 'march' && period > 0
      ? marchedBy(dashes.speed, period, moment.frame, moment.framesPerSecond, moment.loop)
      : 0;
  return {
    pattern: grownPattern(even, grow),
    phase: valueAt(dashes.phase, moment.frame) * unit - marched,
    flow: dashes.flow,
    fit: dashes.fit,
    corners: dashes.corners,
  };
}

/** The tapers of a stroke at a frame; shares are of the span they run over (px). */
export function tapersAt(
  taper: Taper,
  span: number,
  frame: number,
): { start: TaperNow | null; end: TaperNow | null } {
  const at = (end: Taper['start']): TaperNow | null => {
    if (!end) return null;
    const length = valueAt(end.length, frame);
    return {
      length: end.unit === 'px' ? length : length * span,
      tip: valueAt(end.tip, frame),
      curve: end.curve,
    };
  };
  return { start: at(taper.start), end: at(taper.end) };
}
