'use client';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import styled from 'styled-components';
import { BIN, BIN_DAYS, PIECES, PROJECTS, type Binned } from '@/contract';
import { ask, Button, Dialog, Hint, notify } from '@/ui';
import { call } from '../saving';
import { useChange } from './use-change';

const List = styled.ul`
  max-height: 56vh;
  margin: 0;
  padding: 0;
  overflow: auto;
  list-style: none;
  li {
    display: flex;
    align-items: center;
    gap: 8px;
    min-height: 46px;
    border-top: 1px solid var(--rule);
  }
  div {
    flex: 1;
    min-width: 0;
  }
  small {
    display: block;
    color: var(--quiet);
    font-size: 12px;
  }
`;
const Foot = styled.div`
  display: flex;
  justify-content: flex-end;
  margin-top: 12px;
`;

const DAY = 24 * 60 * 60 * 1000;

/** How long something stays in the bin yet. */
function timeLeft({ deletedAt }: Binned): string {
  const days = Math.max(0, Math.ceil((new Date(deletedAt).getTime() + BIN_DAYS * DAY - Date.now()) / DAY));
  return days === 1 ? 'deleted tomorrow' : `deleted in ${days} days`;
}

/** What was deleted, to be brought back or taken away for good. */
export function BinDialog({ isOpen, onClose }: { isOpen: boolean; onClose: () => void }) {
  const change = useChange();
  const queries = useQueryClient();
  const bin = useQuery({ queryKey: ['bin'], queryFn: () => call(BIN.list, {}), enabled: isOpen });
  const then = async (work: () => Promise<unknown>): Promise<void> => {
    await change(work);
    await queries.invalidateQueries({ queryKey: ['bin'] });
  };
  const items = bin.data?.items ?? [];
  const restore = ({ id, kind, name }: Binned) =>
    then(async () => {
      await call(kind === 'piece' ? PIECES.undelete : PROJECTS.undelete, { params: { id } });
      notify(`“${name}” is back.`);
    });
  const remove = ({ id, name }: Binned) =>
    ask({
      title: `Delete “${name}” for good?`,
      words: 'Its history and its exports go with it. This can’t be undone.',
      yes: 'Delete for good',
      run: () => void then(() => call(BIN.remove, { params: { id } })),
    });
  const empty = () =>
    ask({
      title: 'Empty the bin?',
      words: 'All that is in it is deleted for good, with its history and exports. This can’t be undone.',
      yes: 'Empty the bin',
      run: () => void then(() => call(BIN.empty, {})),
    });
  return (
    <Dialog title="Bin" isOpen={isOpen} onClose={onClose} width={560}>
      {bin.isError && <p role="alert">The bin cannot be read: {bin.error.message}</p>}
      {bin.data && items.length === 0 && (
        <Hint>The bin is empty. What you delete stays here for {BIN_DAYS} days.</Hint>
      )}
      <List aria-label="What is in the bin">
        {items.map((item) => (
          <li key={item.id}>
            <div>
              {item.name}
              <small>
                {item.kind === 'piece' ? `from “${item.facts}”` : `project, ${item.facts}`} · {timeLeft(item)}
              </small>
            </div>
            <Button aria-label={`Restore ${item.name}`} onPress={() => restore(item)}>
              Restore
            </Button>
            <Button aria-label={`Delete ${item.name} for good`} onPress={() => remove(item)}>
              Delete
            </Button>
          </li>
        ))}
      </List>
      {items.length > 1 && (
        <Foot>
          <Button onPress={empty}>Empty the bin …</Button>
        </Foot>
      )}
    </Dialog>
  );
}
