import { propertyOf, type Keyed, type KeyedPart } from '@/core/document';
import type { Property, Unit } from '@/core/properties';
import { degrees, factors, percent, pixels, plain, writtenWith, type Written } from '@/ui';

/** How numbers of each unit are written and read. */
const WRITTEN: Record<Unit, Written> = {
  px: pixels,
  share: percent,
  angle: degrees,
  frames: writtenWith('fr', 2),
  widths: writtenWith('w', 2),
  times: factors,
  number: plain,
};

/** What a number field of a property needs to know. */
export const fieldOf = ({ unit, min, max, step }: Pick<Property, 'unit' | 'min' | 'max' | 'step'>) => ({
  min,
  max,
  step,
  ...WRITTEN[unit],
});

/** What people call a part of something that bears keys. */
export const partName = (keyed: Keyed, part: KeyedPart): string => propertyOf(keyed, part)?.fullName ?? part;

/** A value of a part as people write it; shapes have no words. */
export function partWords(keyed: Keyed, part: KeyedPart, value: unknown): string {
  if (typeof value === 'string') return value;
  if (typeof value !== 'number') return '';
  return WRITTEN[propertyOf(keyed, part)?.unit ?? 'number'].format(value);
}
