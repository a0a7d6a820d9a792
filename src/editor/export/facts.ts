import { formatOf, TRANSPARENCIES, wholeSettings, type ExportSummary } from '@/contract';
import { sizeInWords } from './expected-size';
import { amount } from '@/ui';

/** How far an export is, in words. */
function stateOf(item: ExportSummary): string {
  switch (item.status) {
    case 'queued':
      return 'waiting for a renderer';
    case 'running': {
      const left = item.secondsLeft === null ? '' : ` · about ${item.secondsLeft} s left`;
      return `${item.framesDone} of ${amount(item.framesTotal, 'frame')}${left}`;
    }
    case 'done':
      return item.bytes === null ? 'done' : sizeInWords(item.bytes);
    case 'failed':
      return 'failed';
    case 'cancelled':
      return 'stopped';
  }
}

/**
 * What an export is and how it stands.
 * @param revision what the piece is at now; it may have been saved again since.
 */
export function exportFacts(item: ExportSummary, revision: number | null): string {
  const { scale, first, last } = item.settings;
  const format = formatOf(item.settings.format);
  const frames = format.shows === 'still' ? `frame ${first}` : `frames ${first}–${last}`;
  const { transparency } = wholeSettings(item.settings);
  const how = format.shows === 'table' ? '' : `, ${TRANSPARENCIES[transparency]} · ${scale}× · ${frames}`;
  const since = revision !== null && item.revision < revision ? `, now ${revision}` : '';
  return `${format.name}${how} · made from revision ${item.revision}${since} · ${stateOf(item)}`;
}

/** Whether an export is not at its end yet. */
export const isAlive = ({ status }: ExportSummary): boolean => status === 'queued' || status === 'running';

/** How often, ms, the exports are asked for: often while any is being made. */
export const askedEvery = (items: readonly ExportSummary[] | undefined): number =>
  items?.some(isAlive) ? 400 : 5000;
