'use client';
import { colourAt } from '@/core/colour';
import { withValueAt, type Ink, type InkChange } from '@/core/document';
import { valueAt, type Animated } from '@/core/timing';
import { ColourField, KeyToggle, NumberField, type NumberFieldProps } from '@/ui';
import { beginDrag, endDrag, useCalm } from '../../state';
import { KeyedLine } from '../keyed-part';
import { pickColour, rememberColour, useSwatches } from './colour-memory';
import { changeInk, keyState, keyToggled, shared } from './ink-values';

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
    <KeyedLine>
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
    </KeyedLine>
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
    <KeyedLine>
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
    </KeyedLine>
  );
}
