'use client';
import { useRef, useState } from 'react';
import styled from 'styled-components';
import { cutName } from '@/core/document';

const Name = styled.input`
  min-width: 0;
  width: 100%;
  margin: 0 -5px;
  padding: 0 5px;
  border: 1px solid transparent;
  border-radius: 5px;
  background: none;
  font: inherit;
  text-overflow: ellipsis;
  &:hover:not(:read-only) {
    border-color: var(--rule);
  }
  &:focus:not(:read-only) {
    background: var(--desk);
  }
`;

/** A name that is changed where it stands: Enter takes it, Escape leaves it as it was, blank is not taken, too long is cut. */
export function NameField({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  onChange: (name: string) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const left = useRef(false);
  return (
    <Name
      aria-label={label}
      value={typed ?? value}
      spellCheck={false}
      onChange={(event) => setTyped(event.currentTarget.value)}
      onBlur={() => {
        const name = typed === null || left.current ? value : cutName(typed, undefined, value);
        if (name !== value) onChange(name);
        left.current = false;
        setTyped(null);
      }}
      onKeyDown={(event) => {
        if (event.key === 'Escape') left.current = true;
        if (event.key === 'Enter' || event.key === 'Escape') event.currentTarget.blur();
        event.stopPropagation();
      }}
    />
  );
}
