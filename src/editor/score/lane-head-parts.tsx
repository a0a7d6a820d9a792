'use client';
import { useEffect, useRef } from 'react';
import { ChevronDown, ChevronRight, Eye, EyeOff, Flashlight, Lock, LockOpen } from 'lucide-react';
import styled from 'styled-components';
import type { Layer } from '@/core/document';
import { NameField } from '../name-field';
import { setFlag, toggleSolo, useEditor } from '../state';

/** Lanes within a group are set in by so much, px. */
export const INSET = 12;

export const Head = styled.div<{ $inset: number }>`
  display: flex;
  align-items: center;
  gap: 7px;
  min-width: 0;
  height: 100%;
  padding: 0 12px 0 ${({ $inset }) => 4 + $inset}px;
`;
const Turn = styled.button`
  display: grid;
  place-items: center;
  width: 16px;
  height: 20px;
  padding: 0;
  border: 0;
  background: none;
  color: var(--quiet);
  flex: none;
  svg {
    width: 14px;
    height: 14px;
  }
  &:hover {
    color: var(--text);
  }
`;
export const NoTurn = styled.span`
  width: 16px;
  flex: none;
`;
export const Order = styled.span`
  width: 20px;
  text-align: right;
  font: italic 16px/1 var(--serif);
  color: var(--quiet);
  flex: none;
`;
export const Dot = styled.span`
  width: 9px;
  height: 9px;
  border-radius: 50%;
  flex: none;
  box-shadow: 0 0 0 1px color-mix(in srgb, var(--quiet) 60%, transparent);
`;
export const Name = styled.span`
  flex: 1;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
`;
export const Quiet = styled.span`
  color: var(--quiet);
  flex: none;
`;
export const Bound = styled.span`
  display: grid;
  color: var(--caution);
  flex: none;
`;
export const Switch = styled.button`
  display: none;
  place-items: center;
  width: 20px;
  height: 20px;
  padding: 0;
  border: 0;
  border-radius: 4px;
  background: none;
  color: var(--quiet);
  flex: none;
  svg {
    width: 14px;
    height: 14px;
  }
  &[aria-pressed='true'] {
    display: grid;
    color: var(--text);
  }
  [role='row']:hover &,
  [role='row']:focus-within &,
  &:focus-visible {
    display: grid;
  }
  &:hover {
    color: var(--text);
    background: var(--pressed);
  }
`;

export const stopPointer = (event: { stopPropagation: () => void }) => event.stopPropagation();

/** Hides, locks and shows alone the layers of a row. */
export function Switches({ layers, name }: { layers: readonly Layer[]; name: string }) {
  const solo = useEditor((s) => s.solo);
  const ids = layers.map((layer) => layer.id);
  const locked = layers.every((layer) => layer.locked);
  const hidden = layers.every((layer) => layer.hidden);
  const alone = ids.every((id) => solo.includes(id));
  const all = [
    {
      name: `Show ${name} alone`,
      on: alone,
      icon: <Flashlight />,
      title: alone ? 'Show the others again' : 'Show alone',
      run: () => toggleSolo(ids),
    },
    {
      name: `Lock ${name}`,
      on: locked,
      icon: locked ? <Lock /> : <LockOpen />,
      title: locked ? 'Unlock' : 'Lock',
      run: () => setFlag(ids, 'locked', !locked),
    },
    {
      name: `Hide ${name}`,
      on: hidden,
      icon: hidden ? <EyeOff /> : <Eye />,
      title: hidden ? 'Show' : 'Hide',
      run: () => setFlag(ids, 'hidden', !hidden),
    },
  ];
  return all.map((one) => (
    <Switch
      key={one.name}
      tabIndex={-1}
      aria-label={one.name}
      aria-pressed={one.on}
      title={one.title}
      onPointerDown={stopPointer}
      onClick={one.run}
    >
      {one.icon}
    </Switch>
  ));
}

/** Opens and closes what lies under a row. */
export function Opener({
  isOpen,
  label,
  onChange,
}: {
  isOpen: boolean;
  label: string;
  onChange: (to: boolean) => void;
}) {
  return (
    <Turn
      tabIndex={-1}
      aria-label={label}
      aria-expanded={isOpen}
      title={label}
      onPointerDown={stopPointer}
      onDoubleClick={stopPointer}
      onClick={() => onChange(!isOpen)}
    >
      {isOpen ? <ChevronDown /> : <ChevronRight />}
    </Turn>
  );
}

export function Renaming({
  label,
  value,
  onChange,
  onRenamed,
}: {
  label: string;
  value: string;
  onChange: (name: string) => void;
  onRenamed: () => void;
}) {
  const span = useRef<HTMLSpanElement>(null);
  useEffect(() => {
    const input = span.current!.querySelector('input')!;
    input.focus();
    input.select();
  }, []);
  return (
    <span style={{ flex: 1, minWidth: 0 }} ref={span} onBlur={onRenamed} onPointerDown={stopPointer}>
      <NameField
        label={label}
        value={value}
        onChange={onChange}
        onEnd={(field) => field.closest<HTMLElement>('[data-row]')?.focus()}
      />
    </span>
  );
}
