'use client';
import Link from 'next/link';
import styled from 'styled-components';
import { EXPORTS_KEPT, type ExportSummary } from '@/contract';
import { useSaving } from '../saving';
import { ExportActions, ExportProgress } from './export-actions';
import { exportFacts } from './facts';
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
  p {
    grid-column: 1 / -1;
    margin: 2px 0;
    color: var(--caution);
  }
`;
/** One export asked for before: how far it is, and what can be done with it. */
function PastExport({ item, onChange }: { item: ExportSummary; onChange: () => void }) {
  const revision = useSaving((s) => s.revision);
  return (
    <Item data-status={item.status}>
      <div>
        {item.fileName}
        <br />
        <small>{exportFacts(item, revision)}</small>
      </div>
      <ExportActions item={item} onChange={onChange} />
      <ExportProgress item={item} />
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
        Files are kept for {EXPORTS_KEPT.days} days, the newest {EXPORTS_KEPT.newest} of a piece for good.{' '}
        <Link href="/exports">All exports</Link>
      </Words>
    </>
  );
}
