'use client';
import { ChevronRight } from 'lucide-react';
import type { ReactNode } from 'react';
import { Menu as AriaMenu, MenuItem, MenuTrigger, Separator, SubmenuTrigger } from 'react-aria-components';
import styled from 'styled-components';
import { Pop } from './select';

const Item = styled(MenuItem)`
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 24px;
  min-height: 28px;
  padding: 5px 10px;
  border-radius: 5px;
  cursor: default;
  outline: none;
  kbd {
    color: var(--quiet);
    font: inherit;
  }
  svg {
    width: 14px;
    height: 14px;
    color: var(--quiet);
  }
  &[data-focused],
  &[data-open] {
    background: var(--pressed);
  }
  &[data-disabled] {
    opacity: 0.4;
  }
`;
const Line = styled(Separator)`
  height: 1px;
  margin: 4px 6px;
  background: var(--rule);
`;
const About = styled.small`
  display: block;
  color: var(--quiet);
  font-size: 12px;
`;

/** Something that can be done. */
interface MenuAction {
  readonly id: string;
  readonly name: string;
  /** What it does, in a sentence, where its name does not say it. */
  readonly about?: string;
  readonly keys?: string;
  readonly disabled?: boolean;
  readonly run: () => void;
}

/** More of them, in a menu beside. */
interface Submenu {
  readonly id: string;
  readonly name: string;
  readonly entries: readonly MenuEntry[];
}

/** A line between what belongs together. */
interface Gap {
  readonly id: string;
  readonly line: true;
}

export type MenuEntry = MenuAction | Submenu | Gap;

const isAction = (entry: MenuEntry): entry is MenuAction => 'run' in entry;

/** The entries of a menu, as a list that arrows go through. */
export function MenuList({
  label,
  entries,
  onDone,
}: {
  label: string;
  entries: readonly MenuEntry[];
  /** Something was chosen. */
  onDone?: () => void;
}) {
  return (
    <AriaMenu
      aria-label={label}
      style={{ outline: 'none' }}
      disabledKeys={entries.filter((e) => isAction(e) && e.disabled).map((e) => e.id)}
      onAction={(key) => {
        const entry = entries.find((e) => e.id === key);
        if (!entry || !isAction(entry)) return;
        onDone?.();
        entry.run();
      }}
    >
      {entries.map((entry) =>
        'line' in entry ? (
          <Line key={entry.id} />
        ) : isAction(entry) ? (
          <Item key={entry.id} id={entry.id} textValue={entry.name}>
            <span>
              {entry.name}
              {entry.about && <About>{entry.about}</About>}
            </span>
            {entry.keys && <kbd>{entry.keys}</kbd>}
          </Item>
        ) : (
          <SubmenuTrigger key={entry.id}>
            <Item id={entry.id} textValue={entry.name}>
              {entry.name}
              <ChevronRight aria-hidden />
            </Item>
            <Pop>
              <MenuList label={entry.name} entries={entry.entries} {...(onDone && { onDone })} />
            </Pop>
          </SubmenuTrigger>
        ),
      )}
    </AriaMenu>
  );
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
        <MenuList label={label} entries={entries} />
      </Pop>
    </MenuTrigger>
  );
}
