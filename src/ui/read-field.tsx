'use client';
import { useState, type InputHTMLAttributes } from 'react';
import styled from 'styled-components';
import { TextInput } from './text-input';

const Field = styled(TextInput)`
  height: 28px;
  &[aria-invalid='true'] {
    outline: 2px solid var(--caution);
  }
`;

/**
 * A line of text that means something: what can't be read is marked while it is typed and not taken. Enter and leaving the field
 * take it, Escape leaves it as it was.
 */
export function ReadField<Value>({
  label,
  value,
  read,
  onChange,
  ...rest
}: {
  label: string;
  value: string;
  /** What a text means; null where it means nothing. */
  read: (text: string) => Value | null;
  onChange: (value: Value) => void;
} & Pick<InputHTMLAttributes<HTMLInputElement>, 'title' | 'placeholder' | 'style'>) {
  const [typed, setTyped] = useState<string | null>(null);
  const meant = typed === null ? null : read(typed);
  const take = () => {
    if (meant !== null) onChange(meant);
    setTyped(null);
  };
  return (
    <Field
      {...rest}
      aria-label={label}
      aria-invalid={typed !== null && typed.trim() !== '' && meant === null}
      spellCheck={false}
      autoComplete="off"
      value={typed ?? value}
      onChange={(event) => setTyped(event.currentTarget.value)}
      onBlur={take}
      onKeyDown={(event) => {
        if (event.key === 'Enter') take();
        else if (event.key === 'Escape') {
          // An untouched field is left, as any is.
          if (typed === null) return;
          setTyped(null);
        }
        event.stopPropagation();
      }}
    />
  );
}
