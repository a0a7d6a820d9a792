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
import styled, { css } from 'styled-components';
import { eachChoice, type Choices } from './choices';
import { Labelled } from './panel';

/** How a button looks that opens a list of choices. */
export const selectLooks = css`
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 6px;
  width: 100%;
  height: 28px;
  padding: 0 8px;
  border: 1px solid var(--line);
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
const Trigger = styled(Button)`
  ${selectLooks}
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
  before,
}: {
  label: string;
  /** What is seen before it, where it does not stand alone. */
  before?: string;
  value: T | null;
  choices: Choices<T>;
  onChange: (value: T) => void;
  placeholder?: string;
}) {
  const select = (
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
          {eachChoice(choices).map(({ id, name, show }) => (
            <Item key={id} id={id} textValue={name}>
              {show ?? name}
            </Item>
          ))}
        </ListBox>
      </Pop>
    </AriaSelect>
  );
  return before === undefined ? select : <Labelled name={before}>{select}</Labelled>;
}
