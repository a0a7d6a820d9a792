'use client';
import { Check as Tick } from 'lucide-react';
import type { ReactNode } from 'react';
import { Checkbox } from 'react-aria-components';
import styled from 'styled-components';

const Root = styled(Checkbox)`
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 28px;
  color: var(--quiet);
  cursor: default;
  &[data-selected],
  &[data-hovered] {
    color: var(--text);
  }
`;
const Square = styled.span`
  display: grid;
  place-items: center;
  width: 16px;
  height: 16px;
  flex: none;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--desk);
  svg {
    width: 12px;
    height: 12px;
    color: var(--head);
    visibility: hidden;
  }
  [data-selected] & svg {
    visibility: visible;
  }
  [data-focus-visible] & {
    outline: 2px solid var(--head);
    outline-offset: 1px;
  }
`;

/** A switch with words. */
export function Check({
  isSelected,
  onChange,
  children,
}: {
  isSelected: boolean;
  onChange: (on: boolean) => void;
  children: ReactNode;
}) {
  return (
    <Root isSelected={isSelected} onChange={onChange}>
      <Square>
        <Tick aria-hidden strokeWidth={3} />
      </Square>
      {children}
    </Root>
  );
}
