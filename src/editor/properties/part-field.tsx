'use client';
import styled from 'styled-components';
import { colourAt } from '@/core/colour';
import { propertyOf, withValueAt, type KeyedPart } from '@/core/document';
import type { Property } from '@/core/properties';
import { valueAt, type Animated } from '@/core/timing';
import { ColourField, KeyToggle, NumberField } from '@/ui';
import { pickColour, useCalm } from '../state';
import { keyState, keyToggled } from './keying';
import { shared, usePart } from './owners';
import { rememberColour, useSwatches } from './swatches';
import { fieldOf } from './words';

/** A value with the bar beside it that keys it. */
export const KeyedLine = styled.div`
  --number-inset: 0;
  display: grid;
  grid-template-columns: 1fr 16px;
  align-items: center;
  gap: 2px;
`;

interface PartFieldProps {
  readonly part: KeyedPart;
  /** Where what is seen is to say more or less than the property's own name. */
  readonly label?: string;
  /** Others that take the same value. */
  readonly alsoParts?: readonly KeyedPart[];
  readonly isDisabled?: boolean;
}

/**
 * The control of one property of what is in hand: a number or a colour with its name, unit, range and step as they are known of
 * it, and, where it may be keyed, the bar that keys it. A change at a frame of a keyed one sets a key there.
 */
export function PartField({ part, ...props }: PartFieldProps) {
  const { first } = usePart(part, undefined);
  const property = first && propertyOf(first, part);
  if (!property) return null;
  const common = { ...props, part, property };
  return property.kind === 'colour' ? <PartColour {...common} /> : <PartNumber {...common} />;
}

type Known = PartFieldProps & { readonly property: Property };

const labels = ({ label, property }: Known) => ({
  label: label ?? property.name,
  fullLabel: label ?? property.fullName,
});

function PartNumber(props: Known) {
  const { part, property, alsoParts, isDisabled = false } = props;
  const frame = useCalm((s) => Math.round(s.frame));
  const { values, change } = usePart<Animated>(part, property.initial, alsoParts);
  const field = (
    <NumberField
      {...labels(props)}
      {...fieldOf(property)}
      isDisabled={isDisabled}
      value={shared(values.map((value) => valueAt(value, frame)))}
      onChange={(to) => change((now) => withValueAt(now, frame, to))}
      onBy={(by) =>
        change((now) => {
          const to = Number((valueAt(now, frame) + by).toFixed(6));
          return withValueAt(now, frame, Math.min(property.max, Math.max(property.min, to)));
        })
      }
    />
  );
  if (!property.keyed) return field;
  return (
    <KeyedLine>
      {field}
      <KeyToggle
        label={labels(props).fullLabel}
        state={shared(values.map((value) => keyState(value, frame))) ?? 'elsewhere'}
        onPress={() => change((now) => keyToggled(now, frame, valueAt))}
      />
    </KeyedLine>
  );
}

function PartColour(props: Known) {
  const { part, property } = props;
  const frame = useCalm((s) => Math.round(s.frame));
  const { values, change } = usePart<Animated<string>>(part, '#000000');
  const swatches = useSwatches();
  const value = shared(values.map((one) => colourAt(one, frame)));
  const take = (colour: string) => change((now) => withValueAt(now, frame, colour));
  const field = (
    <ColourField
      {...labels(props)}
      value={value}
      swatches={swatches}
      onChange={take}
      onSettled={() => {
        if (value) rememberColour(value);
      }}
      onPick={() => pickColour(take)}
    />
  );
  if (!property.keyed) return field;
  return (
    <KeyedLine>
      {field}
      <KeyToggle
        label={labels(props).fullLabel}
        state={shared(values.map((one) => keyState(one, frame))) ?? 'elsewhere'}
        onPress={() => change((now) => keyToggled(now, frame, colourAt))}
      />
    </KeyedLine>
  );
}
