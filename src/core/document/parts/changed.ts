/** Parts of a value; one that it may lack is taken away where given as undefined. */
export type Change<T> = { readonly [K in keyof T]?: T[K] | undefined };

/** A value with parts changed or taken away. */
export function changed<T extends object>(value: T, change: Change<T>): T {
  const next: Record<string, unknown> = { ...value, ...change };
  for (const part of Object.keys(change)) if (next[part] === undefined) delete next[part];
  return next as T;
}

/** What all of some values are; null where they differ, or where there are none. */
export const shared = <T>(values: readonly T[]): T | null =>
  values.length > 0 && values.every((value) => sameValue(value, values[0])) ? values[0]! : null;

/** Whether two values hold the same, in whatever order: a database keeps none. */
export function sameValue(a: unknown, b: unknown): boolean {
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return Object.is(a, b);
  const [of, other] = [Object.keys(a), Object.keys(b)];
  const inside = (value: object, key: string): unknown => (value as Record<string, unknown>)[key];
  return of.length === other.length && of.every((key) => sameValue(inside(a, key), inside(b, key)));
}
