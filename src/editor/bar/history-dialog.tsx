'use client';
import { PIECES } from '@/contract';
import { useQuery } from '@tanstack/react-query';
import styled from 'styled-components';
import { Button, Dialog, notify } from '@/ui';
import { call, useSaving } from '../saving';

const List = styled.ul`
  max-height: 60vh;
  margin: 0;
  padding: 0;
  overflow: auto;
  list-style: none;
  li {
    display: flex;
    align-items: center;
    justify-content: space-between;
    min-height: 38px;
    border-top: 1px solid var(--rule);
  }
  small {
    margin-left: 10px;
    color: var(--quiet);
  }
`;

const when = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'medium' });

/** The revisions of a piece, newest first; each can be seen beside the piece as it is, and made the newest again. */
export function HistoryDialog({
  isOpen,
  onClose,
  onCompare,
}: {
  isOpen: boolean;
  onClose: () => void;
  onCompare: (revision: number) => void;
}) {
  const open = useSaving((s) => s.open);
  const list = useQuery({
    queryKey: ['revisions', open?.id, open?.revision],
    queryFn: () => call(PIECES.revisions, { params: { id: open!.id } }),
    enabled: isOpen && open !== null,
  });
  const restore = async (revision: number) => {
    try {
      await useSaving.getState().saving?.restore(revision);
      onClose();
    } catch (error) {
      notify((error as Error).message);
    }
  };
  return (
    <Dialog title="History" isOpen={isOpen} onClose={onClose}>
      <List>
        {list.data?.revisions.map((item) => (
          <li key={item.revision}>
            <span>
              Revision {item.revision}
              <small>{item.note ?? when.format(new Date(item.createdAt))}</small>
            </span>
            {item.revision === open?.revision ? (
              <small>this one</small>
            ) : (
              <span style={{ display: 'flex', gap: 6 }}>
                <Button onPress={() => onCompare(item.revision)}>Compare</Button>
                <Button onPress={() => restore(item.revision)}>Restore</Button>
              </span>
            )}
          </li>
        ))}
      </List>
      {list.isError && <p>The history cannot be fetched: {list.error.message}</p>}
    </Dialog>
  );
}
