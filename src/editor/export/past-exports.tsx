'use client';
import styled from 'styled-components';
import {
  EXPORTS,
  EXPORTS_KEPT,
  exportFileAddress,
  formatOf,
  TRANSPARENCIES,
  wholeSettings,
  type ExportSummary,
} from '@/contract';
import { Button, notify } from '@/ui';
import { call, useSaving } from '../saving';
import { sizeInWords } from './expected-size';
import { Words } from './words';

const Past = styled.ul`
  max-height: 250px;
  margin: 18px 0 0;
  padding: 12px 0 0;
  border-top: 1px solid var(--rule);
  overflow: auto;
  list-style: none;
  scrollbar-width: thin;
`;
const Item = styled.li`
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: center;
  gap: 2px 12px;
  padding: 6px 0;
  small {
    color: var(--quiet);
    font-size: 12px;
  }
  a {
    display: inline-flex;
    align-items: center;
    height: 30px;
    padding: 0 12px;
    border: 1px solid var(--rule);
    border-radius: 7px;
    background: var(--raised);
    color: var(--text);
    text-decoration: none;
  }
  p {
    grid-column: 1 / -1;
    margin: 2px 0;
    color: var(--caution);
  }
`;
const Progress = styled.progress`
  grid-column: 1 / -1;
  width: 100%;
  height: 4px;
  border: 0;
  border-radius: 2px;
  overflow: hidden;
  appearance: none;
  background: var(--desk);
  &::-webkit-progress-bar {
    background: var(--desk);
  }
  &::-webkit-progress-value {
    background: var(--head);
  }
`;

/** What an export is and how it stands; the piece may have been saved again since. */
function facts(item: ExportSummary, revision: number): string {
  const { scale, first, last } = item.settings;
  const format = formatOf(item.settings.format);
  const frames = format.shows === 'still' ? `frame ${first}` : `frames ${first}–${last}`;
  const { transparency } = wholeSettings(item.settings);
  const how = format.shows === 'table' ? '' : `, ${TRANSPARENCIES[transparency]} · ${scale}× · ${frames}`;
  const since = item.revision < revision ? `, now ${revision}` : '';
  const what = `${format.name}${how} · revision ${item.revision}${since}`;
  const state = {
    queued: 'waiting for a renderer',
    running: `${item.framesDone} of ${item.framesTotal} frames${item.secondsLeft === null ? '' : ` · about ${item.secondsLeft} s left`}`,
    done: item.bytes === null ? 'done' : sizeInWords(item.bytes),
    failed: 'failed',
    cancelled: 'stopped',
  }[item.status];
  return `${what} · ${state}`;
}

/** One export asked for before: how far it is, and what can be done with it. */
function PastExport({ item, onChange }: { item: ExportSummary; onChange: () => void }) {
  const act = (what: 'cancel' | 'retry') =>
    call(EXPORTS[what], { params: { id: item.id } })
      .catch((error: Error) => notify(error.message))
      .finally(onChange);
  const revision = useSaving((s) => s.revision);
  const alive = item.status === 'queued' || item.status === 'running';
  return (
    <Item data-status={item.status}>
      <div>
        {item.fileName}
        <br />
        <small>{facts(item, revision)}</small>
      </div>
      {item.status === 'done' && (
        <a href={exportFileAddress(item.id)} download={item.fileName}>
          Download
        </a>
      )}
      {alive && <Button onPress={() => act('cancel')}>Stop</Button>}
      {(item.status === 'failed' || item.status === 'cancelled') && (
        <Button onPress={() => act('retry')}>Run again</Button>
      )}
      {alive && (
        <Progress
          aria-label={`Progress of ${item.fileName}`}
          value={item.framesDone}
          max={item.framesTotal}
        />
      )}
      {item.message && <p>{item.message}</p>}
    </Item>
  );
}

/** The exports of a piece, newest first, and how long they stay. */
export function PastExports({ items, onChange }: { items: readonly ExportSummary[]; onChange: () => void }) {
  if (items.length === 0) return null;
  return (
    <>
      <Past aria-label="Exports of this piece">
        {items.map((item) => (
          <PastExport key={item.id} item={item} onChange={onChange} />
        ))}
      </Past>
      <Words>
        Files are kept for {EXPORTS_KEPT.days} days, the newest {EXPORTS_KEPT.newest} of a piece for good.
      </Words>
    </>
  );
}
