/** What stands at the end of a way through a value; undefined where there is nothing. */
export const at = (value: unknown, way: readonly string[]): unknown =>
  way.reduce<unknown>((now, step) => (now as Record<string, unknown> | undefined)?.[step], value);

/** The steps of a part’s name. */
export const wayOf = (part: string): string[] => (part === '' ? [] : part.split('.'));
