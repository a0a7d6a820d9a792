'use client';
import { ToggleButton, ToggleButtonGroup } from 'react-aria-components';
import styled from 'styled-components';
import { eachChoice, type Choices } from './choices';
import { Labelled } from './panel';

const Group = styled(ToggleButtonGroup)`
  display: flex;
  border: 1px solid var(--line);
  border-radius: 7px;
  background: var(--desk);
  overflow: hidden;
`;

const Choice = styled(ToggleButton)`
  flex: 1 1 auto;
  height: 27px;
  padding: 0 6px;
  border: 0;
  border-left: 1px solid var(--rule);
  background: none;
  color: var(--quiet);
  cursor: default;
  white-space: nowrap;
  &:first-child {
    border-left: 0;
  }
  &[data-hovered] {
    color: var(--text);
  }
  &[data-selected] {
    background: var(--pressed);
    color: var(--text);
  }
  &[data-focus-visible] {
    outline-offset: -2px;
  }
`;

/** One of a few choices, side by side. `value` null means that the selection differs. */
export function Segmented<T extends string>({
  label,
  value,
  choices,
  onChange,
  before,
}: {
  label: string;
  /** What is seen before it, where it does not stand alone. */
  before?: string;
  value: T | null;
  choices: Choices<T>;
  onChange: (value: T) => void;
}) {
  const group = (
    <Group
      aria-label={label}
      selectionMode="single"
      disallowEmptySelection={value !== null}
      selectedKeys={value === null ? [] : [value]}
      onSelectionChange={(keys) => {
        const [key] = [...keys];
        if (key !== undefined) onChange(key as T);
      }}
    >
      {eachChoice(choices).map(({ id, name }) => (
        <Choice key={id} id={id}>
          {name}
        </Choice>
      ))}
    </Group>
  );
  return before === undefined ? group : <Labelled name={before}>{group}</Labelled>;
}
