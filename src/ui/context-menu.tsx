'use client';
import { useRef } from 'react';
import { create } from 'zustand';
import { MenuList, type MenuEntry } from './menu';
import { Pop } from './select';

interface Opened {
  readonly label: string;
  readonly entries: readonly MenuEntry[];
  readonly x: number;
  readonly y: number;
  /** What had the focus, and gets it again. */
  readonly from: Element | null;
}

const useOpened = create<{ readonly menu: Opened | null }>(() => ({ menu: null }));

/**
 * Opens a menu where the pointer is, or by the key for it where the focus is. What it offers is what the place offers
 * otherwise too.
 */
export function openContextMenu(
  event: Pick<MouseEvent, 'clientX' | 'clientY' | 'preventDefault'>,
  label: string,
  entries: readonly MenuEntry[],
): void {
  event.preventDefault();
  if (entries.length === 0) return;
  useOpened.setState({
    menu: { label, entries, x: event.clientX, y: event.clientY, from: document.activeElement },
  });
}

/** Where such menus appear; one a page. */
export function ContextMenus() {
  const { menu } = useOpened();
  const anchor = useRef<HTMLSpanElement>(null);
  if (!menu) return null;
  const close = () => {
    useOpened.setState({ menu: null });
    if (menu.from instanceof HTMLElement) menu.from.focus();
  };
  return (
    <>
      <span
        ref={anchor}
        aria-hidden
        style={{ position: 'fixed', left: menu.x, top: menu.y, width: 1, height: 1 }}
      />
      <Pop
        key={`${menu.x} ${menu.y}`}
        aria-label={menu.label}
        isOpen
        onOpenChange={(open) => !open && close()}
        triggerRef={anchor}
        placement="bottom start"
        offset={0}
      >
        <MenuList label={menu.label} entries={menu.entries} onDone={close} />
      </Pop>
    </>
  );
}
