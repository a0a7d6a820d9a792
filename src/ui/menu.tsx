'use client';
import type { ReactNode } from 'react';
import { Menu as AriaMenu, MenuItem, MenuTrigger } from 'react-aria-components';
import styled from 'styled-components';
import { Pop } from './select';

const Item = styled(MenuItem)`
  display: flex;
  justify-content: space-between;
  gap: 24px;
  padding: 6px 10px;
  border-radius: 5px;
  cursor: default;
  outline: none;
  kbd {
    color: var(--quiet);
    font: inherit;
  }
  &[data-focused] {
    background: var(--pressed);
  }
  &[data-disabled] {
    opacity: 0.4;
  }
`;

const About = styled.small`
  display: block;
  color: var(--quiet);
  font-size: 12px;
`;

export interface MenuEntry {
  readonly id: string;
  readonly name: string;
  /** What it does, in a sentence, where its name does not say it. */
  readonly about?: string;
  readonly keys?: string;
  readonly disabled?: boolean;
  readonly run: () => void;
}

/** A button (the child) that opens a list of things to do. */
export function Menu({
  label,
  entries,
  children,
}: {
  label: string;
  entries: readonly MenuEntry[];
  children: ReactNode;
}) {
  return (
    <MenuTrigger>
      {children}
      <Pop placement="bottom end">
        <AriaMenu
          aria-label={label}
          style={{ outline: 'none' }}
          disabledKeys={entries.filter((e) => e.disabled).map((e) => e.id)}
          onAction={(key) => entries.find((e) => e.id === key)?.run()}
        >
          {entries.map((entry) => (
            <Item key={entry.id} id={entry.id} textValue={entry.name}>
              <span>
                {entry.name}
                {entry.about && <About>{entry.about}</About>}
              </span>
              {entry.keys && <kbd>{entry.keys}</kbd>}
            </Item>
          ))}
        </AriaMenu>
      </Pop>
    </MenuTrigger>
  );
}
