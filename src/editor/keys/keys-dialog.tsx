'use client';
import { useEffect, useState, type KeyboardEvent } from 'react';
import styled from 'styled-components';
import { Button, Check, Dialog, keepEvent, TextInput } from '@/ui';
import { giveKey, isCharacter, resetKeys, useOwnKeys } from './own-keys';
import { written } from './shortcuts';
import { SHORTCUTS, type Shortcut } from './shortcuts-list';

const List = styled.div`
  height: min(60vh, 460px);
  margin-top: 10px;
  overflow: auto;
  scrollbar-width: thin;
  h3 {
    margin: 12px 0 4px;
    font: italic 400 17px/1.2 var(--serif);
    color: var(--quiet);
  }
  ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }
  li {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 16px;
    min-height: 26px;
    span {
      color: var(--quiet);
    }
  }
`;
const Key = styled.button`
  min-width: 28px;
  height: 24px;
  padding: 0 7px;
  border: 1px solid var(--line);
  border-radius: 5px;
  background: none;
`;
const Foot = styled.div`
  display: flex;
  align-items: center;
  justify-content: space-between;
  margin-top: 12px;
`;

/** The key of one thing: pressed, it waits for another. */
function OwnKey({ shortcut, keys }: { shortcut: Shortcut; keys: string | null }) {
  const [waiting, setWaiting] = useState(false);
  const listen = (event: KeyboardEvent): void => {
    if (!waiting) return;
    keepEvent(event);
    if (['Shift', 'Control', 'Alt', 'Meta', 'Tab'].includes(event.key)) return;
    setWaiting(false);
    if (event.key !== 'Escape') giveKey(shortcut.name, written(event), SHORTCUTS);
  };
  return (
    <Key
      type="button"
      aria-label={`Key for ${shortcut.name}: ${waiting ? 'press the new key' : (keys ?? 'none')}`}
      onClick={() => setWaiting(true)}
      onBlur={() => setWaiting(false)}
      onKeyDown={listen}
    >
      {waiting ? 'press a key …' : (keys?.replace('Arrow', '') ?? 'none')}
    </Key>
  );
}

/** All keys, searchable; those of one character can be changed, or all of them switched off. */
export function KeysDialog() {
  const [isOpen, setOpen] = useState(false);
  const [sought, setSought] = useState('');
  const { characters, own } = useOwnKeys();
  useEffect(() => {
    const open = () => setOpen(true);
    window.addEventListener('obelus:keys', open);
    return () => window.removeEventListener('obelus:keys', open);
  }, []);
  const now = ({ name, keys }: Shortcut): string | null => (name in own ? own[name]! : keys);
  const found = SHORTCUTS.filter((one) =>
    `${one.name} ${now(one) ?? ''} ${one.group}`.toLowerCase().includes(sought.trim().toLowerCase()),
  );
  const groups = [...new Set(found.map((s) => s.group))];
  return (
    <Dialog title="Keys" isOpen={isOpen} onClose={() => setOpen(false)} width={520}>
      <TextInput
        aria-label="Search the keys"
        placeholder="Search: what it does, or the key"
        autoFocus
        value={sought}
        onChange={(event) => setSought(event.currentTarget.value)}
      />
      <List tabIndex={0} role="region" aria-label="List of keys">
        {groups.map((group) => (
          <section key={group}>
            <h3>{group}</h3>
            <ul>
              {found
                .filter((s) => s.group === group)
                .map((one) => (
                  <li key={`${one.name} ${one.keys}`}>
                    {one.name}
                    {one.run && isCharacter(one.keys) ? (
                      <OwnKey shortcut={one} keys={now(one)} />
                    ) : (
                      <span>{one.keys.replace('Arrow', '')}</span>
                    )}
                  </li>
                ))}
            </ul>
          </section>
        ))}
        {found.length === 0 && <p>No key matches.</p>}
      </List>
      <Foot>
        <Check isSelected={characters} onChange={(on) => useOwnKeys.setState({ characters: on })}>
          Keys of one character
        </Check>
        <Button onPress={resetKeys}>As they were</Button>
      </Foot>
    </Dialog>
  );
}
