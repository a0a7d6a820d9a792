'use client';
import { NumberField } from './number-field';
import type { Written } from './written';

/** What is said of one number of a value that no document keeps. */
export interface NumberRow<T> extends Written {
  readonly part: keyof T & string;
  readonly label: string;
  readonly min: number;
  readonly max: number;
  /** What an arrow key changes it by; where absent 1. */
  readonly step?: number;
  /** It is a whole number. */
  readonly isWhole?: boolean;
}

/** The numbers of a value, a row each. */
export const NumberRows = <T extends object>({
  rows,
  value,
  onChange,
}: {
  rows: readonly NumberRow<T>[];
  value: T;
  onChange: (part: Partial<T>) => void;
}) =>
  rows.map(({ part, isWhole = false, ...row }) => (
    <NumberField
      key={part}
      {...row}
      value={value[part] as number}
      onChange={(to) => onChange({ [part]: isWhole ? Math.round(to) : to } as unknown as Partial<T>)}
    />
  ));
