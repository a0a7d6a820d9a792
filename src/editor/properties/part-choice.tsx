'use client';
import type { ReactNode } from 'react';
import type { KeyedPart } from '@/core/document';
import { Check, Segmented } from '@/ui';
import { shared, usePart } from './owners';

/** A choice as it is kept in the document, and what people call it where that is not the same. */
type Choice<T> = T | { readonly id: T; readonly name: string };

/** One of a few values of a part, side by side. */
export function PartChoice<T extends string>({
  part,
  label,
  choices,
}: {
  part: KeyedPart;
  label: string;
  choices: readonly Choice<T>[];
}) {
  const { values, change } = usePart<T | null>(part, null);
  return (
    <Segmented
      label={label}
      value={shared(values)}
      choices={choices.map((one) => (typeof one === 'string' ? { id: one, name: one } : one))}
      onChange={(to) => change(() => to)}
    />
  );
}

/** A part that is so or not. */
export function PartCheck({ part, children }: { part: KeyedPart; children: ReactNode }) {
  const { values, change } = usePart(part, false);
  return (
    <Check isSelected={values.length > 0 && values.every(Boolean)} onChange={(on) => change(() => on)}>
      {children}
    </Check>
  );
}
