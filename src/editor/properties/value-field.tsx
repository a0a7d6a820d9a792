'use client';
import type { z } from 'zod';
import { propertyAt } from '@/core/properties';
import { NumberField } from '@/ui';
import { fieldOf } from './words';

/** The control of one number of a value, with its name, unit, range and step as they are known of it. */
export function ValueField<T extends object>({
  schema,
  value,
  part,
  label,
  onChange,
}: {
  schema: z.ZodType<T>;
  value: T;
  part: keyof T & string;
  label?: string;
  onChange: (to: number) => void;
}) {
  const property = propertyAt(schema, value, [part])!;
  return (
    <NumberField
      label={label ?? property.name}
      {...fieldOf(property)}
      value={value[part] as number}
      onChange={onChange}
    />
  );
}
