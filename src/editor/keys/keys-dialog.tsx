'use client';
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { Dialog, TextInput } from '@/ui';
import { SHORTCUTS } from './shortcuts-list';

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
  dl {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 4px 16px;
    margin: 0;
  }
  dd {
    margin: 0;
    text-align: right;
    color: var(--quiet);
  }
`;

/** All keys, searchable. */
export function KeysDialog() {
  const [isOpen, setOpen] = useState(false);
  const [sought, setSought] = useState('');
  useEffect(() => {
    const open = () => setOpen(true);
    window.addEventListener('obelus:keys', open);
    return () => window.removeEventListener('obelus:keys', open);
  }, []);
  const found = SHORTCUTS.filter(({ name, keys, group }) =>
    `${name} ${keys} ${group}`.toLowerCase().includes(sought.trim().toLowerCase()),
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
      <List>
        {groups.map((group) => (
          <section key={group}>
            <h3>{group}</h3>
            <dl>
              {found
                .filter((s) => s.group === group)
                .map(({ name, keys }) => (
                  <div key={keys} style={{ display: 'contents' }}>
                    <dt>{name}</dt>
                    <dd>{keys.replace('Arrow', '')}</dd>
                  </div>
                ))}
            </dl>
          </section>
        ))}
        {found.length === 0 && <p>No key does that.</p>}
      </List>
    </Dialog>
  );
}
