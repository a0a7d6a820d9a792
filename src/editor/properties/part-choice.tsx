'use client';
import type { ReactNode } from 'react';
import { shared, type KeyedPart } from '@/core/document';
import { Check, Segmented, Select, type Choices } from '@/ui';
import { usePart } from './owners';

/** One of a few values of a part: side by side, or in a list that opens. */
export function PartChoice<T extends string>({
  part,
  inList = false,
  ...shown
}: {
  part: KeyedPart;
  label: string;
  /** What is seen before it, where it does not stand alone. */
  before?: string;
  choices: Choices<T>;
  inList?: boolean;
}) {
  const { values, change } = usePart<T | null>(part, null);
  const Chooser = inList ? Select : Segmented;
  return <Chooser {...shown} value={shared(values)} onChange={(to) => change(() => to)} />;
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
