import type { ReactNode } from 'react';

/** One of several: what it is kept as, what people call it, and what a list shows in place of that name. */
export interface Choice<T extends string> {
  readonly id: T;
  readonly name: string;
  readonly show?: ReactNode;
}

/** What may be chosen, in its order: names by id, ids that are their own names, or both said apart. */
export type Choices<T extends string> = readonly (T | Choice<T>)[] | Readonly<Record<T, string>>;

/** The choices one by one. */
export const eachChoice = <T extends string>(choices: Choices<T>): readonly Choice<T>[] =>
  Array.isArray(choices)
    ? (choices as readonly (T | Choice<T>)[]).map((one) =>
        typeof one === 'string' ? { id: one, name: one } : one,
      )
    : Object.entries<string>(choices as Record<T, string>).map(([id, name]) => ({ id: id as T, name }));
