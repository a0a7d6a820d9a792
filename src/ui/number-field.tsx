'use client';
import { useContext, useEffect, useId, useRef, useState } from 'react';
import styled from 'styled-components';
import { EditStepContext } from './edit-step';
import { followPointer } from './pointer-session';
import { useLatest } from './use-latest';
import type { Written } from './written';

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
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
    border-color: var(--line);
  }
  &:focus {
    border-color: var(--line);
    background: var(--desk);
    outline: 2px solid var(--head);
    outline-offset: -1px;
  }
  &[aria-invalid='true'] {
    outline-color: var(--caution);
  }
`;

const Limit = styled.span`
  flex-basis: 100%;
  margin-top: -4px;
  color: var(--caution);
  font-size: 12px;
  text-align: right;
`;

/** So long a number that could not be taken says so, ms. */
const SAID_MS = 4000;

interface NumberFieldProps extends Written {
  label: string;
  /** What a screen reader calls it, where its label alone would not say what it belongs to. */
  fullLabel?: string;
  /** Null where the selection differs. */
  value: number | null;
  onChange: (value: number) => void;
  /** Changes each number of a selection that differs by so much; where absent they become one. */
  onBy?: (by: number) => void;
  min?: number;
  max?: number;
  /** What an arrow key or a pixel of dragging changes; Shift changes ten times as much. */
  step?: number;
  hideLabel?: boolean;
  /** Distance of dragging, px, that makes one step. */
  pixelsPerStep?: number;
  isDisabled?: boolean;
}

/** A number that drags (by its label), types (with units) and takes arrow keys. */
export function NumberField(props: NumberFieldProps) {
  const { label, value, onChange, onBy, min = -Infinity, max = Infinity, step = 1 } = props;
  const { format, parse, hideLabel, pixelsPerStep = 2, isDisabled } = props;
  const [typed, setTyped] = useState<string | null>(null);
  const editStep = useContext(EditStepContext);
  const input = useRef<HTMLInputElement>(null);
  const latest = useLatest(onChange);
  const words = useId();
  const [limited, setLimited] = useState<'most' | 'least' | null>(null);
  /** What was typed last and is no number. */
  const [refused, setRefused] = useState<string | null>(null);
  /** The number as it can be; one that goes beyond its limits says so. */
  const bounded = (n: number): number => {
    const value = Number(n.toFixed(6));
    setLimited(value > max ? 'most' : value < min ? 'least' : null);
    return Math.min(max, Math.max(min, value));
  };
  useEffect(() => {
    if (!limited && refused === null) return;
    const timer = setTimeout(() => {
      setLimited(null);
      setRefused(null);
    }, SAID_MS);
    return () => clearTimeout(timer);
  }, [limited, refused]);
  const read = typed === null ? null : parse(typed);
  const wrong = typed !== null && typed !== '' && read === null;

  const take = () => {
    if (wrong) setRefused(typed);
    if (read !== null) {
      const taken = bounded(read);
      if (taken !== value) onChange(taken);
    }
    setTyped(null);
  };
  const nudge = (steps: number) => {
    setTyped(null);
    if (read === null && value === null && onBy) onBy(steps * step);
    else onChange(bounded((read ?? value ?? 0) + steps * step));
  };

  const drag = (event: React.PointerEvent) => {
    if (isDisabled || event.button !== 0) return;
    const [x, from] = [event.clientX, value ?? 0];
    let moved = false;
    let gone = 0;
    editStep.begin();
    followPointer(event, {
      move(now) {
        const steps = Math.round((now.clientX - x) / pixelsPerStep) * (now.shiftKey ? 10 : 1);
        if (steps === 0 && !moved) return;
        moved = true;
        if (value === null && onBy) onBy((steps - gone) * step);
        else latest.current(bounded(from + steps * step));
        gone = steps;
      },
      release() {
        // A press without a drag is a wish to type.
        if (!moved) input.current?.select();
        editStep.end();
      },
      cancel() {
        // What is no part of a document goes back by its own number.
        if (moved && value !== null) latest.current(value);
        editStep.cancel();
      },
    });
  };

  return (
    <Row>
      {!hideLabel && (
        <Label title={`${label}: drag to change`} onPointerDown={drag}>
          {label}
        </Label>
      )}
      <Input
        ref={input}
        role="spinbutton"
        aria-label={props.fullLabel ?? label}
        aria-valuenow={value ?? undefined}
        aria-valuetext={value === null ? 'differs' : format(value)}
        aria-valuemin={Number.isFinite(min) ? min : undefined}
        aria-valuemax={Number.isFinite(max) ? max : undefined}
        aria-invalid={wrong}
        {...((limited || refused !== null) && { 'aria-describedby': words })}
        data-untouched={typed === null || undefined}
        autoComplete="off"
        spellCheck={false}
        disabled={isDisabled}
        value={typed ?? (value === null ? '' : format(value))}
        placeholder={value === null ? 'differs' : undefined}
        onFocus={(event) => event.currentTarget.select()}
        onChange={(event) => {
          setLimited(null);
          setRefused(null);
          setTyped(event.currentTarget.value);
        }}
        onBlur={take}
        onKeyDown={(event) => {
          const ten = event.shiftKey ? 10 : 1;
          if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
            event.preventDefault();
            nudge(event.key === 'ArrowUp' ? ten : -ten);
          } else if (event.key === 'Enter') {
            take();
            event.currentTarget.select();
          } else if (event.key === 'Escape' && typed !== null) {
            // What was typed is not taken; the field stays the one at work.
            setTyped(null);
            requestAnimationFrame(() => input.current?.select());
          } else return;
          event.stopPropagation();
        }}
      />
      {(limited || refused !== null) && (
        <Limit id={words} role="status">
          {limited === 'most'
            ? `at most ${format(max)}`
            : limited === 'least'
              ? `at least ${format(min)}`
              : `“${refused!.slice(0, 20)}” is not a number`}
        </Limit>
      )}
    </Row>
  );
}
