'use client';
import { useState } from 'react';
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
  onEnd,
}: {
  label: string;
  value: string;
  onChange: (name: string) => void;
  /** Enter or Escape ended it: where the field goes then, this says where the focus goes. */
  onEnd?: (field: HTMLElement) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const take = () => {
    const name = typed === null ? value : cutName(typed, undefined, value);
    if (name !== value) onChange(name);
    setTyped(null);
  };
  return (
    <Name
      aria-label={label}
      value={typed ?? value}
      spellCheck={false}
      onChange={(event) => setTyped(event.currentTarget.value)}
      onBlur={take}
      onKeyDown={(event) => {
        const field = event.currentTarget;
        if (event.key === 'Enter') take();
        if (event.key === 'Escape') {
          // An untouched field is left, as any is.
          if (typed === null && !onEnd) return;
          setTyped(null);
        }
        if (event.key === 'Enter' || event.key === 'Escape')
          requestAnimationFrame(() => (onEnd ? onEnd(field) : field.select()));
        event.stopPropagation();
      }}
    />
  );
}
