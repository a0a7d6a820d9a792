'use client';
import Link from 'next/link';
import styled from 'styled-components';
import { bayAddress, EXPORTS, exportFileAddress, formatOf, isWatched, type ExportSummary } from '@/contract';
import { Button, buttonLooks, notify } from '@/ui';
import { call } from '../saving';
import { isAlive } from './facts';

const Row = styled.div`
  display: flex;
  gap: 6px;
  justify-content: flex-end;
`;
const Download = styled.a`
  ${buttonLooks}
  text-decoration: none;
`;
const Look = styled(Link)`
  ${buttonLooks}
  text-decoration: none;
`;
const Bar = styled.progress`
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

/** What can be done with an export as it stands: fetched, looked at, stopped, run again. */
export function ExportActions({ item, onChange }: { item: ExportSummary; onChange: () => void }) {
  const act = (what: 'cancel' | 'retry') =>
    call(EXPORTS[what], { params: { id: item.id } })
      .catch((error: Error) => notify(error.message))
      .finally(onChange);
  return (
    <Row>
      {item.status === 'done' && isWatched(formatOf(item.settings.format)) && (
        <Look href={bayAddress(item.id)} aria-label={`Look at ${item.fileName} in the edit bay`}>
          Edit bay
        </Look>
      )}
      {item.status === 'done' && (
        <Download href={exportFileAddress(item.id)} download={item.fileName}>
          Download
        </Download>
      )}
      {isAlive(item) && <Button onPress={() => act('cancel')}>Stop</Button>}
      {(item.status === 'failed' || item.status === 'cancelled') && (
        <Button onPress={() => act('retry')}>Run again</Button>
      )}
    </Row>
  );
}

/** How far an export is, while it is being made. */
export const ExportProgress = ({ item }: { item: ExportSummary }) =>
  isAlive(item) && (
    <Bar aria-label={`Progress of ${item.fileName}`} value={item.framesDone} max={item.framesTotal} />
  );
