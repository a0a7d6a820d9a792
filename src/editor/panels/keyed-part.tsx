'use client';
import styled from 'styled-components';
import {
  keyedById,
  partOf,
  sameValue,
  updateKeyed,
  withPart,
  withValueAt,
  type AnyAnimated,
  type KeyedPart,
  type Piece,
} from '@/core/document';
import { valueAt, type Animated } from '@/core/timing';
import { KeyToggle, NumberField, type NumberFieldProps } from '@/ui';
import { beginDrag, edit, endDrag, useCalm } from '../state';
import { keyState, keyToggled } from './ink/ink-values';

/** A value with the bar beside it that keys it. */
export const KeyedLine = styled.div`
  --number-inset: 0;
  display: grid;
  grid-template-columns: 1fr 16px;
  align-items: center;
  gap: 2px;
`;

/** A number of layers, groups or pins that may be keyed: a change at a frame of a keyed one sets a key there. */
export function PartNumber({
  owners,
  part,
  alsoParts = [],
  without = 0,
  prepare = (piece) => piece,
  ...props
}: {
  owners: readonly string[];
  part: KeyedPart;
  /** Others that take the same value. */
  alsoParts?: readonly KeyedPart[];
  /** What it counts as where the part is not there yet. */
  without?: number;
  /** Puts the part there before it is changed. */
  prepare?: (piece: Piece) => Piece;
} & Omit<NumberFieldProps, 'value' | 'onChange' | 'onBegin' | 'onEnd'>) {
  const frame = useCalm((s) => Math.round(s.frame));
  const piece = useCalm((s) => s.piece);
  const values = owners.map((id): Animated => {
    const keyed = keyedById(piece, id);
    return ((keyed && partOf(keyed, part)) as Animated | undefined) ?? without;
  });
  const [first, ...rest] = values.map((value) => valueAt(value, frame));
  const states = values.map((value) => keyState(value, frame));
  const change = (to: (value: Animated) => Animated) =>
    edit(
      (p) =>
        updateKeyed(prepare(p), owners, (keyed) =>
          [part, ...alsoParts].reduce((result, one) => {
            const now = partOf(result, one);
            return now === undefined ? result : withPart(result, one, to(now as Animated) as AnyAnimated);
          }, keyed),
        ),
      `${part} ${owners.join()}`,
    );
  return (
    <KeyedLine>
      <NumberField
        {...props}
        value={first !== undefined && rest.every((value) => sameValue(value, first)) ? first : null}
        onChange={(to) => change((now) => withValueAt(now, frame, to))}
        onBegin={beginDrag}
        onEnd={endDrag}
      />
      <KeyToggle
        label={props.label}
        state={states.every((state) => state === states[0]) ? (states[0] ?? 'none') : 'elsewhere'}
        onPress={() => change((now) => keyToggled(now, frame, valueAt))}
      />
    </KeyedLine>
  );
}
