import { isKeyed, keysOf, withRetimedKeys, type Animated } from '../timing';
import type { Stroke } from './schema';
import type { WindowKeys } from './window-schema';

/** Any value that may be keyed: numbers and colours. */
export type AnyAnimated = Animated | Animated<string>;

/** What has keys: a stroke, or the window of several timed as one. */
export type Keyed = { readonly window: WindowKeys; readonly ink?: Stroke['ink'] };

/**
 * Names a keyed part of a stroke: `head`, `tail`, `slide` and `travel.length` are parts of its window, all else the way
 * to it from the stroke, as `ink.width` or `ink.gradient.stops.0.at`.
 */
export type KeyedPart = string;

const wayOf = (part: KeyedPart): string[] =>
  part.startsWith('ink.') ? part.split('.') : ['window', ...part.split('.')];

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

const inks = new WeakMap<object, readonly KeyedPart[]>();

/** Parts under a value that follow keys, in the order in which they are written down. */
function keyedUnder(value: unknown, way: string): KeyedPart[] {
  if (typeof value !== 'object' || value === null) return [];
  if (isKeyed(value as Animated) && Object.hasOwn(value, 'keys')) return [way];
  return Object.entries(value).flatMap(([step, inner]) => keyedUnder(inner, way ? `${way}.${step}` : step));
}

/** Every part that follows keys, those of the window first. */
export function keyedParts({ window, ink }: Keyed): KeyedPart[] {
  const ofWindow = keyedUnder(window, '');
  if (!ink) return ofWindow;
  let ofInk = inks.get(ink);
  if (!ofInk) inks.set(ink, (ofInk = keyedUnder(ink, 'ink')));
  return [...ofWindow, ...ofInk];
}

/** A value with all its keys at the whole frames that a rule gives; of two that meet the later stands. */
export const withAllRetimed = (value: AnyAnimated, to: (frame: number) => number): AnyAnimated => {
  const animated = value as Animated<number | string>;
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
