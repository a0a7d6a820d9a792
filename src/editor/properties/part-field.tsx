'use client';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { colourAt } from '@/core/colour';
import { propertyOf, withValueAt, type KeyedPart, shared } from '@/core/document';
import { clamp } from '@/core/numbers';
import type { Property } from '@/core/properties';
import { valueAt, type Animated } from '@/core/timing';
import { ColourField, KeyToggle, NumberField, type KeyState } from '@/ui';
import { pickColour, useCalm } from '../state';
import { keyState, keyToggled } from './keying';
import { usePart } from './owners';
import { rememberColour, useSwatches } from './swatches';
import { useFieldOf } from './use-frames';

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
  /** Within what it may be, where what is in hand allows less than the property does. */
  readonly within?: readonly [min: number, max: number];
}

/**
 * The control of one property of what is in hand: a number or a colour with its name, unit, range and step as they are known of
 * it, and, where it may be keyed, the bar that keys it. A change at a frame of a keyed one sets a key there.
 */
export function PartField({ part, within, ...props }: PartFieldProps) {
  const { first } = usePart(part, undefined);
  const known = first && propertyOf(first, part);
  if (!known) return null;
  const property = within ? { ...known, min: within[0], max: within[1] } : known;
  const common = { ...props, part, property };
  return property.kind === 'colour' ? <PartColour {...common} /> : <PartNumber {...common} />;
}

type Known = Omit<PartFieldProps, 'within'> & { readonly property: Property };

const labels = ({ label, property }: Known) => ({
  label: label ?? property.name,
  fullLabel: label ?? property.fullName,
});

/** A field, with its key mark where what it shows may be keyed. */
function WithKeys({
  of,
  states,
  onPress,
  children,
}: {
  of: Known;
  states: readonly KeyState[];
  onPress: () => void;
  children: ReactNode;
}) {
  if (!of.property.keyed) return children;
  return (
    <KeyedLine>
      {children}
      <KeyToggle label={labels(of).fullLabel} state={shared(states) ?? 'elsewhere'} onPress={onPress} />
    </KeyedLine>
  );
}

function PartNumber(props: Known) {
  const { part, property, alsoParts, isDisabled = false } = props;
  const frame = useCalm((s) => Math.round(s.frame));
  const { values, change } = usePart<Animated>(part, property.initial, alsoParts);
  const field = (
    <NumberField
      {...labels(props)}
      {...useFieldOf(property)}
      isDisabled={isDisabled}
      value={shared(values.map((value) => valueAt(value, frame)))}
      onChange={(to) => change((now) => withValueAt(now, frame, property.whole ? Math.round(to) : to))}
      onBy={(by) =>
        change((now) => {
          const to = Number((valueAt(now, frame) + by).toFixed(6));
          return withValueAt(now, frame, clamp(to, property.min, property.max));
        })
      }
    />
  );
  return (
    <WithKeys
      of={props}
      states={values.map((value) => keyState(value, frame))}
      onPress={() => change((now) => keyToggled(now, frame, valueAt))}
    >
      {field}
    </WithKeys>
  );
}

function PartColour(props: Known) {
  const { part } = props;
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
  return (
    <WithKeys
      of={props}
      states={values.map((one) => keyState(one, frame))}
      onPress={() => change((now) => keyToggled(now, frame, colourAt))}
    >
      {field}
    </WithKeys>
  );
}
