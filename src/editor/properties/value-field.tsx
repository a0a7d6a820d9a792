'use client';
import type { z } from 'zod';
import { propertyAt } from '@/core/properties';
import { NumberField } from '@/ui';
import { useFieldOf } from './use-frames';
import { at, wayOf } from './ways';

/** The control of one number of a value, with its name, unit, range and step as they are known of it. */
export function ValueField<T extends object>({
  schema,
  value,
  part,
  label,
  shown,
  onChange,
}: {
  schema: z.ZodType<T>;
  value: T;
  /** The way to the number, its steps parted by dots. */
  part: string;
  label?: string;
  /** What is shown in place of the number itself; null where several differ. */
  shown?: number | null;
  onChange: (to: number) => void;
}) {
  const property = propertyAt(schema, value, wayOf(part))!;
  const field = useFieldOf(property);
  return (
    <NumberField
      label={label ?? property.name}
      {...field}
      value={shown === undefined ? (at(value, wayOf(part)) as number) : shown}
      onChange={(to) => onChange(property.whole ? Math.round(to) : to)}
    />
  );
}
