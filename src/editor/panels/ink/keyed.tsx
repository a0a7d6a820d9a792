'use client';
import { colourAt } from '@/core/colour';
import { withValueAt, type Ink, type InkChange } from '@/core/document';
import { valueAt, type Animated } from '@/core/timing';
import { ColourField, KeyToggle, NumberField, type NumberFieldProps } from '@/ui';
import styled from 'styled-components';
import { beginDrag, endDrag, useCalm } from '../../state';
import { pickColour, rememberColour, useSwatches } from './colour-memory';
import { changeInk, keyState, keyToggled, shared } from './ink-values';

const Line = styled.div`
  --number-inset: 0;
  display: grid;
  grid-template-columns: 1fr 16px;
  align-items: center;
  gap: 2px;
`;
const useFrame = (): number => useCalm((s) => Math.round(s.frame));

type Put<V extends number | string> = (ink: Ink, value: Animated<V>) => InkChange;

/** A number of the selected inks that may be keyed: a change at a frame of a keyed one sets a key there. */
export function KeyedNumber({
  inks,
  get,
  put,
  ...props
}: {
  inks: readonly Ink[];
  /** Undefined in an ink that lacks it, which is then left alone. */
  get: (ink: Ink) => Animated | undefined;
  put: Put<number>;
} & Omit<NumberFieldProps, 'value' | 'onChange' | 'onBegin' | 'onEnd'>) {
  const frame = useFrame();
  const having = inks.filter((ink) => get(ink) !== undefined);
  const value = shared(having, (ink) => valueAt(get(ink)!, frame));
  const state = shared(having, (ink) => keyState(get(ink)!, frame)) ?? 'elsewhere';
  const change = (to: (value: Animated) => Animated) =>
    changeInk((ink) => {
      const now = get(ink);
      return now === undefined ? {} : put(ink, to(now));
    }, props.label);
  return (
    <Line>
      <NumberField
        {...props}
        value={value}
        onChange={(to) => change((now) => withValueAt(now, frame, to))}
        onBegin={beginDrag}
        onEnd={endDrag}
      />
      <KeyToggle
        label={props.label}
        state={state}
        onPress={() => change((now) => keyToggled(now, frame, valueAt))}
      />
    </Line>
  );
}

/** A colour of the selected inks that may be keyed. */
export function KeyedColour({
  inks,
  label,
  get,
  put,
}: {
  inks: readonly Ink[];
  label: string;
  get: (ink: Ink) => Animated<string> | undefined;
  put: Put<string>;
}) {
  const frame = useFrame();
  const having = inks.filter((ink) => get(ink) !== undefined);
  const value = shared(having, (ink) => colourAt(get(ink)!, frame));
  const state = shared(having, (ink) => keyState(get(ink)!, frame)) ?? 'elsewhere';
  const change = (to: (value: Animated<string>) => Animated<string>) =>
    changeInk((ink) => {
      const now = get(ink);
      return now === undefined ? {} : put(ink, to(now));
    }, label);
  const take = (colour: string) => change((now) => withValueAt(now, frame, colour));
  return (
    <Line>
      <ColourField
        label={label}
        value={value}
        swatches={useSwatches()}
        onChange={take}
        onBegin={beginDrag}
        onEnd={() => {
          endDrag();
          if (value) rememberColour(value);
        }}
        onPick={() => pickColour(take)}
      />
      <KeyToggle
        label={label}
        state={state}
        onPress={() => change((now) => keyToggled(now, frame, colourAt))}
      />
    </Line>
  );
}
