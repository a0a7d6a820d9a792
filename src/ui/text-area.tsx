'use client';
import { useState, type TextareaHTMLAttributes } from 'react';
import styled from 'styled-components';

const Area = styled.textarea`
  display: block;
  width: 100%;
  min-height: 58px;
  padding: 7px 9px;
  border: 1px solid var(--line);
  border-radius: 7px;
  background: var(--desk);
  color: var(--text);
  font: inherit;
  resize: vertical;
`;

/** Text of several lines, taken with every letter; while it is typed it stays as it is typed, whatever becomes of it. */
export function TextArea({
  label,
  value,
  onChange,
  ...rest
}: {
  label: string;
  value: string;
  onChange: (text: string) => void;
} & Pick<TextareaHTMLAttributes<HTMLTextAreaElement>, 'rows' | 'maxLength' | 'style'>) {
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <Area
      {...rest}
      aria-label={label}
      dir="auto"
      spellCheck={false}
      value={typed ?? value}
      onChange={(event) => {
        setTyped(event.currentTarget.value);
        onChange(event.currentTarget.value);
      }}
      onBlur={() => setTyped(null)}
      onKeyDown={(event) => {
        if (event.key !== 'Escape') event.stopPropagation();
      }}
    />
  );
}
