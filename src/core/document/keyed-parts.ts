import { isKeyed, keysOf, withRetimedKeys, type Animated } from '../timing';
import type { Path } from '../geometry';
import type { Arrival } from './arrival-schema';
import type { Count } from './count-schema';
import type { Mask } from './mask-schema';
import type { Placement } from './placement-schema';
import type { Stroke } from './schema';
import type { WindowKeys } from './window-schema';

/** Any value that may be keyed: numbers, colours and shapes. */
export type AnyAnimated = Animated | Animated<string> | Animated<Path>;

/** What a key may hold. */
export type KeyValue = number | string | Path;

/** What has keys: a layer, a group, the window of several strokes timed as one, or a pin. */
export interface Keyed {
  readonly window?: WindowKeys;
  readonly ink?: Stroke['ink'];
  readonly place?: Placement;
  readonly masks?: readonly Mask[];
  readonly arrival?: Arrival;
  readonly count?: Count;
  readonly pin?: { readonly x: Animated; readonly y: Animated };
}

/**
 * Names a keyed part: `head`, `tail`, `slide` and `travel.length` are parts of a window, all else the way to it from what
 * bears it, as `ink.width`, `place.rotation` or `masks.0.feather`.
 */
export type KeyedPart = string;

/** Parts of what bears keys that are reached by their own name, in the order in which their keys are told. */
const ROOTS = ['ink', 'place', 'masks', 'arrival', 'count', 'pin'] as const;

const wayOf = (part: KeyedPart): string[] => {
  const way = part.split('.');
  return (ROOTS as readonly string[]).includes(way[0]!) ? way : ['window', ...way];
};

/** The value of a part, or undefined where there is no such part. */
export function partOf(keyed: Keyed, part: KeyedPart): AnyAnimated | undefined {
  let at: unknown = keyed;
  for (const step of wayOf(part)) {
    if (typeof at !== 'object' || at === null || !Object.hasOwn(at, step)) return undefined;
    at = (at as Record<string, unknown>)[step];
  }
  return at as AnyAnimated;
}

/** Something keyed with one part replaced; itself where it has no such part. */
export function withPart<K extends Keyed>(keyed: K, part: KeyedPart, to: AnyAnimated): K {
  if (partOf(keyed, part) === undefined) return keyed;
  const put = (value: unknown, [step, ...rest]: string[]): unknown => {
    if (step === undefined) return to;
    const next = put((value as Record<string, unknown>)[step], rest);
    return Array.isArray(value)
      ? value.map((item, i) => (String(i) === step ? next : item))
      : { ...(value as object), [step]: next };
  };
  return put(keyed, wayOf(part)) as K;
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
  return ROOTS.reduce((parts, root) => {
    const value = keyed[root];
    if (!value) return parts;
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
