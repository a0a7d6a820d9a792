'use client';
import type { KeyRef } from '@/core/document';
import { ClosedLane } from './closed-lane';
import { Lane, StillLane } from './lane';
import { PartLane } from './part-lane';
import type { Row } from './rows';
/** What a row shows over time. */
export function RowLane({
  row,
  length,
  isSelected,
  isOpen,
  keys,
}: {
  row: Row;
  length: number;
  isSelected: boolean;
  /** What lies under it has rows of its own. */
  isOpen: boolean;
  keys: readonly KeyRef[];
}) {
  const { owner } = row;
  const part = row.kind === 'part' ? row.part : owner.lead;
  if (part && (row.kind === 'part' || !owner.window))
    return <PartLane owner={owner} part={part} length={length} isSelected={isSelected} keys={keys} />;
  if (row.kind === 'group' && !owner.window && !isOpen)
    return <ClosedLane owner={owner} members={row.members} length={length} isSelected={isSelected} />;
  return owner.window ? (
    <Lane owner={owner} length={length} isSelected={isSelected} keys={keys} />
  ) : (
    <StillLane owner={owner} length={length} isGroup={row.kind === 'group'} />
  );
}
