'use client';
import { useRef, useState } from 'react';
import styled from 'styled-components';

const Row = styled.div`
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  min-height: 28px;
  padding-right: var(--number-inset, 0);
`;
const Label = styled.label`
  color: var(--quiet);
  cursor: ew-resize;
  touch-action: none;
  user-select: none;
  flex: 1;
`;
const Input = styled.input`
  width: var(--number-width, 74px);
  height: 26px;
  padding: 0 7px;
  text-align: right;
  border: 1px solid transparent;
  border-radius: 6px;
  background: transparent;
  color: var(--text);
  font-variant-numeric: tabular-nums;
  &:hover {
    border-color: var(--rule);
  }
  &:focus {
    border-color: var(--rule);
    background: var(--desk);
    outline: 2px solid var(--head);
    outline-offset: -1px;
  }
  &[aria-invalid='true'] {
    outline-color: var(--caution);
  }
`;

export interface NumberFieldProps {
  label: string;
  /** Null where the selection differs. */
  value: number | null;
  onChange: (value: number) => void;
  /** A drag is one step of undo: told at its start and end. */
  onBegin?: () => void;
  onEnd?: () => void;
  min?: number;
  max?: number;
  /** What an arrow key or a pixel of dragging changes; Shift changes ten times as much. */
  step?: number;
  format: (value: number) => string;
  /** Reads what was typed, units included; null where it can't. */
  parse: (text: string) => number | null;
  hideLabel?: boolean;
  /** Distance of dragging, px, that makes one step. */
  pixelsPerStep?: number;
  isDisabled?: boolean;
}

/** A number that drags (by its label), types (with units) and takes arrow keys. */
export function NumberField(props: NumberFieldProps) {
  const { label, value, onChange, onBegin, onEnd, min = -Infinity, max = Infinity, step = 1 } = props;
  const { format, parse, hideLabel, pixelsPerStep = 2, isDisabled } = props;
  const [typed, setTyped] = useState<string | null>(null);
  const drag = useRef<{ x: number; from: number; moved: boolean } | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const hold = (n: number) => Math.min(max, Math.max(min, Number(n.toFixed(6))));
  const read = typed === null ? null : parse(typed);
  const wrong = typed !== null && typed !== '' && read === null;

  const take = () => {
    if (read !== null && hold(read) !== value) onChange(hold(read));
    setTyped(null);
  };
  const nudge = (steps: number) => {
    const from = read ?? value ?? 0;
    setTyped(null);
    onChange(hold(from + steps * step));
  };

  return (
    <Row>
      {!hideLabel && (
        <Label
          title={`${label}: drag to change`}
          onPointerDown={(event) => {
            if (isDisabled || event.button !== 0) return;
            event.currentTarget.setPointerCapture(event.pointerId);
            drag.current = { x: event.clientX, from: value ?? 0, moved: false };
            onBegin?.();
          }}
          onPointerMove={(event) => {
            if (!drag.current) return;
            const steps =
              Math.round((event.clientX - drag.current.x) / pixelsPerStep) * (event.shiftKey ? 10 : 1);
            if (steps === 0 && !drag.current.moved) return;
            drag.current.moved = true;
            onChange(hold(drag.current.from + steps * step));
          }}
          onPointerUp={() => {
            if (!drag.current) return;
            // A press without a drag is a wish to type.
            if (!drag.current.moved) input.current?.select();
            drag.current = null;
            onEnd?.();
          }}
          onPointerCancel={() => {
            drag.current = null;
            onEnd?.();
          }}
        >
          {label}
        </Label>
      )}
      <Input
        ref={input}
        role="spinbutton"
        aria-label={label}
        aria-valuenow={value ?? undefined}
        aria-valuetext={value === null ? 'differs' : format(value)}
        aria-valuemin={Number.isFinite(min) ? min : undefined}
        aria-valuemax={Number.isFinite(max) ? max : undefined}
        aria-invalid={wrong}
        data-untouched={typed === null || undefined}
        autoComplete="off"
        spellCheck={false}
        disabled={isDisabled}
        value={typed ?? (value === null ? '' : format(value))}
        placeholder={value === null ? 'differs' : undefined}
        onFocus={(event) => event.currentTarget.select()}
        onChange={(event) => setTyped(event.currentTarget.value)}
        onBlur={take}
        onKeyDown={(event) => {
          const ten = event.shiftKey ? 10 : 1;
          if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
            event.preventDefault();
            nudge(event.key === 'ArrowUp' ? ten : -ten);
          } else if (event.key === 'Enter') {
            take();
            event.currentTarget.select();
          } else if (event.key === 'Escape') {
            setTyped(null);
            event.currentTarget.blur();
          } else return;
          event.stopPropagation();
        }}
      />
    </Row>
  );
}

/** Reads a number with an optional unit after it. */
export const parseWithUnit =
  (unit: string) =>
  (text: string): number | null => {
    const match = /^\s*(-?\d*[.,]?\d+)\s*(\S*)\s*$/.exec(text);
    if (!match || (match[2] !== '' && match[2] !== unit)) return null;
    return Number(match[1]!.replace(',', '.'));
  };

const short = (value: number, digits: number) => String(Number(value.toFixed(digits)));

/** Lengths in pixels. */
export const pixels = { format: (v: number) => `${short(v, 1)} px`, parse: parseWithUnit('px') };

/** Shares of one, shown in per cent. */
export const percent = {
  format: (v: number) => `${short(v * 100, 1)} %`,
  parse: (text: string) => {
    const value = parseWithUnit('%')(text);
    return value === null ? null : value / 100;
  },
};

/** Angles in radians, shown in degrees. */
export const degrees = {
  format: (v: number) => `${short((v * 180) / Math.PI, 1)}°`,
  parse: (text: string) => {
    const value = parseWithUnit('°')(text);
    return value === null ? null : (value * Math.PI) / 180;
  },
};
