import { z } from 'zod';
import { drawingsPerSecond, type Effect } from '../../effects';
import type { Path } from '../../geometry';
import { FACTS, propertyAt, type Property } from '../../properties';
import { isKeyed, keysOf, withRetimedKeys, type Animated } from '../../timing';
import {
  groupSchema,
  layerSchema,
  pinSchema,
  windowSchema,
  type Arrival,
  type Axes,
  type Between,
  type Count,
  type Mask,
  type Placement,
  type Stroke,
  type WindowKeys,
} from '../schema';

/** Any value that may be keyed: numbers, colours and shapes. */
export type AnyAnimated = Animated | Animated<string> | Animated<Path>;

/** What a key may hold. */
export type KeyValue = number | string | Path;

/** What has keys: a layer, a group, the window of several strokes timed as one, a pin, or the piece itself. */
export interface Keyed {
  readonly window?: WindowKeys;
  readonly ink?: Stroke['ink'];
  readonly place?: Placement;
  readonly masks?: readonly Mask[];
  readonly effects?: readonly Effect[];
  readonly between?: Between;
  readonly arrival?: Arrival;
  readonly count?: Count;
  readonly axes?: Axes;
  readonly pin?: { readonly x: Animated; readonly y: Animated };
  readonly drawings?: Animated;
}

/**
 * Names a keyed part: `head`, `tail`, `slide` and `travel.length` are parts of a window, all else the way to it from what
 * bears it, as `ink.width`, `place.rotation` or `masks.0.feather`.
 */
export type KeyedPart = string;

/** What may bear keys: a layer, what a group has of its own, a pin, or what the piece has of its own. */
export const keyedSchema = z.union([
  layerSchema,
  groupSchema.extend({ window: windowSchema }),
  z.strictObject({
    pin: z
      .strictObject({ x: pinSchema.shape.x, y: pinSchema.shape.y })
      .register(FACTS, { kind: 'parts', name: 'Pin' }),
  }),
  z.strictObject({ drawings: drawingsPerSecond() }),
]);

/**
 * Parts of what bears keys under which anything may be keyed, but for the window, in the order in which their keys are told: what layers
 * are made of before what may be done to any of them. A list, because the player asks it while it paints and holds no schemas.
 */
export const KEYED_ROOTS = [
  ...['ink', 'between', 'arrival', 'count', 'axes', 'pin', 'drawings'],
  ...['place', 'masks', 'effects', 'line'],
];

const OF_WINDOW = Object.keys(windowSchema.shape);

const wayOf = (part: KeyedPart): string[] => {
  const way = part.split('.');
  return OF_WINDOW.includes(way[0]!) ? ['window', ...way] : way;
};

/** Whether a part is one of a window: what times a stroke, or a line of strokes. */
export const isOfWindow = (part: KeyedPart): boolean => wayOf(part)[0] === 'window';

/** What is known of a part of what bears keys; undefined where it has no such part. */
export const propertyOf = (keyed: Keyed, part: KeyedPart): Property | undefined =>
  propertyAt(keyedSchema, keyed, wayOf(part));

/** The value of a part, or undefined where there is no such part. */
export const partOf = (keyed: Keyed, part: KeyedPart): AnyAnimated | undefined =>
  at(keyed, wayOf(part)) as AnyAnimated | undefined;

/** What stands at the end of a way through a value; undefined where there is nothing. */
function at(value: unknown, way: readonly string[]): unknown {
  return way.reduce<unknown>(
    (now, step) =>
      typeof now === 'object' && now !== null && Object.hasOwn(now, step)
        ? (now as Record<string, unknown>)[step]
        : undefined,
    value,
  );
}

/** Something keyed with one part replaced; itself where it lacks what that would belong to. */
export function withPart<K extends Keyed>(keyed: K, part: KeyedPart, to: AnyAnimated): K {
  const way = wayOf(part);
  if (way.length > 1 && at(keyed, way.slice(0, -1)) === undefined) return keyed;
  const put = (value: unknown, [step, ...rest]: string[]): unknown => {
    if (step === undefined) return to;
    const next = put((value as Record<string, unknown>)[step], rest);
    return Array.isArray(value)
      ? value.map((item, i) => (String(i) === step ? next : item))
      : { ...(value as object), [step]: next };
  };
  return put(keyed, way) as K;
}

const known = new WeakMap<object, readonly KeyedPart[]>();

/** Parts under a value that follow keys, in the order in which they are written down. */
function keyedUnder(value: unknown, way: string): KeyedPart[] {
  if (typeof value !== 'object' || value === null) return [];
  if (isKeyed(value as Animated) && Object.hasOwn(value, 'keys')) return [way];
  return Object.entries(value).flatMap(([step, inner]) => keyedUnder(inner, way ? `${way}.${step}` : step));
}

/** Every part that follows keys, those of the window first. */
export function keyedParts(keyed: Keyed): KeyedPart[] {
  const ofWindow = keyed.window ? keyedUnder(keyed.window, '') : [];
  return KEYED_ROOTS.reduce((parts, root) => {
    const value = (keyed as Record<string, object | undefined>)[root];
    if (typeof value !== 'object') return parts;
    let own = known.get(value);
    if (!own) known.set(value, (own = keyedUnder(value, root)));
    return own.length > 0 ? [...parts, ...own] : parts;
  }, ofWindow);
}

/** A value with all its keys at the whole frames that a rule gives; of two that meet the later stands. */
export const withAllRetimed = (value: AnyAnimated, to: (frame: number) => number): AnyAnimated => {
  const animated = value as Animated<KeyValue>;
  const all = keysOf(animated).map((_, i) => i);
  return withRetimedKeys(animated, all, to) as AnyAnimated;
};

/** Something with every keyed part changed alike. */
export const mapKeyed = <K extends Keyed>(
  keyed: K,
  change: (value: AnyAnimated, part: KeyedPart) => AnyAnimated,
): K =>
  keyedParts(keyed).reduce(
    (result, part) => withPart(result, part, change(partOf(result, part)!, part)),
    keyed,
  );
