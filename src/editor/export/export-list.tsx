'use client';
import { useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Download, Pin, PinOff, Trash2 } from 'lucide-react';
import Link from 'next/link';
import styled from 'styled-components';
import {
  EXPORTS,
  EXPORTS_KEPT,
  exportArchiveAddress,
  exportThumbnailAddress,
  MOST_FETCHED,
  type ListedExport,
} from '@/contract';
import { Button, IconButton, IconToggle, notify, PictureInTurn, Segmented, TextInput } from '@/ui';
import { PageFrame } from '../page-frame';
import { download } from '../download';
import { call } from '../saving';
import { ExportActions, ExportProgress } from './export-actions';
import { sizeInWords } from './expected-size';
import { askedEvery, exportFacts, isAlive } from './facts';
import { Words } from './words';

const Tools = styled.div`
  display: flex;
  align-items: center;
  gap: 10px;
  margin-bottom: 8px;
  > input {
    width: 220px;
  }
  > p {
    flex: 1;
    text-align: right;
  }
`;
const Rows = styled.ul`
  margin: 0;
  padding: 0;
  list-style: none;
`;
const Row = styled.li`
  display: grid;
  grid-template-columns: 112px minmax(0, 1fr) auto 30px 30px;
  align-items: center;
  gap: 4px 10px;
  padding: 10px 0;
  border-top: 1px solid var(--rule);
  img {
    width: 112px;
    height: 63px;
    border-radius: 6px;
    background: var(--desk);
    object-fit: contain;
  }
  > div:nth-child(2) > :is(b, span, small) {
    display: block;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  b {
    font-weight: 500;
  }
  span {
    color: var(--quiet);
  }
  small {
    color: var(--quiet);
    font-size: 12px;
  }
  > p {
    grid-column: 2 / -1;
    margin: 0;
    color: var(--caution);
  }
`;

const SHOWN = {
  all: 'all',
  alive: 'being made',
  done: 'finished',
  ended: 'failed or stopped',
} as const;
type Shown = keyof typeof SHOWN;

const isShown = (item: ListedExport, shown: Shown, words: string): boolean => {
  const state = isAlive(item) ? 'alive' : item.status === 'done' ? 'done' : 'ended';
  const text = `${item.fileName} ${item.pieceName} ${item.projectName}`.toLowerCase();
  return (shown === 'all' || shown === state) && text.includes(words.trim().toLowerCase());
};

/** One export: what it shows, what it is, and what can be done with it. */
function ListedRow({ item, onChange }: { item: ListedExport; onChange: () => void }) {
  const say = (work: Promise<unknown>) =>
    work.catch((error: Error) => notify(error.message)).finally(onChange);
  const remove = () => say(call(EXPORTS.remove, { params: { id: item.id } }));
  const keep = (kept: boolean) => say(call(EXPORTS.keep, { params: { id: item.id }, body: { kept } }));
  return (
    <Row data-status={item.status} data-export={item.fileName}>
      <PictureInTurn src={exportThumbnailAddress(item.id)} />
      <div>
        <b>{item.fileName}</b>
        <span>
          {item.projectName} · {item.pieceName}
          {item.revisionNow === null && ' (deleted)'}
        </span>
        <small title={exportFacts(item, item.revisionNow)}>{exportFacts(item, item.revisionNow)}</small>
      </div>
      <ExportActions item={item} onChange={onChange} />
      <IconToggle
        plain
        label={item.kept ? `${item.fileName} is kept for good` : `Keep ${item.fileName} for good`}
        isSelected={item.kept}
        onChange={keep}
      >
        {item.kept ? <Pin aria-hidden /> : <PinOff aria-hidden />}
      </IconToggle>
      <IconButton plain label={`Delete ${item.fileName}`} isDisabled={isAlive(item)} onPress={remove}>
        <Trash2 aria-hidden />
      </IconButton>
      <ExportProgress item={item} />
      {item.message && <p>{item.message}</p>}
    </Row>
  );
}

/** The exports of all projects. */
export function ExportList() {
  const queries = useQueryClient();
  const [shown, setShown] = useState<Shown>('all');
  const [words, setWords] = useState('');
  const list = useQuery({
    queryKey: ['exports'],
    queryFn: () => call(EXPORTS.all, {}),
    refetchInterval: (query) => askedEvery(query.state.data?.exports),
  });
  const items = (list.data?.exports ?? []).filter((item) => isShown(item, shown, words));
  const finished = items.filter((item) => item.status === 'done');
  const refresh = () => void queries.invalidateQueries({ queryKey: ['exports'] });
  const fetchAll = () =>
    finished.length > MOST_FETCHED
      ? notify(`An archive holds ${MOST_FETCHED} files at most. Narrow the list down first.`)
      : download(exportArchiveAddress(finished.map(({ id }) => id)));
  return (
    <PageFrame
      title="Exports"
      words="Everything that was made of any piece."
      actions={
        <Button isDisabled={finished.length === 0} onPress={fetchAll}>
          <Download aria-hidden /> Download {finished.length === 1 ? 'the one' : `all ${finished.length}`} as
          zip
        </Button>
      }
    >
      <Tools>
        <TextInput
          aria-label="Find an export"
          placeholder="Find by file, piece or project"
          value={words}
          onChange={(event) => setWords(event.currentTarget.value)}
        />
        <Segmented label="Which are shown" value={shown} choices={SHOWN} onChange={setShown} />
        {list.data && (
          <Words>
            {sizeInWords(list.data.disk.taken)} on disk · {sizeInWords(list.data.disk.free)} free
          </Words>
        )}
      </Tools>
      {list.isError && (
        <p role="alert">
          The exports cannot be fetched: {list.error.message}{' '}
          <Button onPress={() => list.refetch()}>Try again</Button>
        </p>
      )}
      {list.data?.exports.length === 0 && (
        <p>
          Nothing was exported yet. Open a <Link href="/">piece</Link> and press Export.
        </p>
      )}
      {items.length === 0 && (list.data?.exports.length ?? 0) > 0 && <p>No export matches.</p>}
      <Rows aria-label="Exports">
        {items.map((item) => (
          <ListedRow key={item.id} item={item} onChange={refresh} />
        ))}
      </Rows>
      <Words>
        Files are deleted {EXPORTS_KEPT.days} days after they were asked for, except the newest{' '}
        {EXPORTS_KEPT.newest} of each piece and those you keep.
      </Words>
    </PageFrame>
  );
}
