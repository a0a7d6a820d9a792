'use client';
import {
  Button,
  ListBox,
  ListBoxItem,
  Popover,
  Select as AriaSelect,
  SelectValue,
} from 'react-aria-components';
import { ChevronDown } from 'lucide-react';
import type { ReactNode } from 'react';
import styled from 'styled-components';

const Trigger = styled(Button)`
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 6px;
  width: 100%;
  height: 28px;
  padding: 0 8px;
  border: 1px solid var(--rule);
  border-radius: 7px;
  background: var(--desk);
  color: var(--text);
  cursor: default;
  text-align: left;
  > :first-child {
    min-width: 0;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  svg {
    width: 14px;
    color: var(--quiet);
    flex: none;
  }
`;
export const Pop = styled(Popover)`
  min-width: var(--trigger-width);
  padding: 4px;
  border: 1px solid var(--rule);
  border-radius: 9px;
  background: var(--raised);
  color: var(--text);
  box-shadow: var(--shadow);
  overflow: auto;
`;
const Item = styled(ListBoxItem)`
  padding: 5px 9px;
  border-radius: 5px;
  cursor: default;
  outline: none;
  &[data-focused] {
    background: var(--pressed);
  }
  &[data-selected] {
    color: var(--head);
  }
`;

/** One of several choices from a list that opens. `value` null means that the selection differs. */
export function Select<T extends string>({
  label,
  value,
  choices,
  onChange,
  placeholder = 'differs',
}: {
  label: string;
  value: T | null;
  /** `show` is what the list shows in place of the name. */
  choices: readonly { id: T; name: string; show?: ReactNode }[];
  onChange: (value: T) => void;
  placeholder?: string;
}) {
  return (
    <AriaSelect
      aria-label={label}
      selectedKey={value}
      placeholder={placeholder}
      onSelectionChange={(key) => key !== null && onChange(key as T)}
    >
      <Trigger>
        <SelectValue>{({ selectedText, defaultChildren }) => selectedText || defaultChildren}</SelectValue>
        <ChevronDown aria-hidden />
      </Trigger>
      <Pop>
        <ListBox style={{ outline: 'none' }}>
          {choices.map(({ id, name, show }) => (
            <Item key={id} id={id} textValue={name}>
              {show ?? name}
            </Item>
          ))}
        </ListBox>
      </Pop>
    </AriaSelect>
  );
}
