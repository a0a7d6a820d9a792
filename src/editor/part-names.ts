import type { KeyedPart } from '@/core/document';

const NAMES: Record<string, string> = {
  head: 'Head',
  tail: 'Tail',
  slide: 'Slide',
  'travel.length': 'Length of the window',
  'ink.width': 'Width',
  'ink.colour': 'Colour',
  'ink.opacity': 'Opacity',
  'ink.dashes.phase': 'Dash phase',
  'ink.dashes.grow': 'Dash growth',
  'ink.taper.start.length': 'Taper at the start, length',
  'ink.taper.start.tip': 'Taper at the start, tip',
  'ink.taper.end.length': 'Taper at the end, length',
  'ink.taper.end.tip': 'Taper at the end, tip',
};

/** What people call a keyed part. */
export function partName(part: KeyedPart): string {
  const stop = /^ink\.gradient\.stops\.(\d+)\.(at|colour|opacity)$/.exec(part);
  if (stop) return `Colour ${Number(stop[1]) + 1}, ${stop[2] === 'at' ? 'place' : stop[2]}`;
  return NAMES[part] ?? part.replace(/^ink\./, '').replaceAll('.', ', ');
}

const SHARES = /^(head|tail|slide)$|opacity|grow|\.tip$|\.at$/;

/** Whether a part counts from 0 to 1. */
export const isShare = (part: KeyedPart): boolean => SHARES.test(part);

/** A value of a part as people write it. */
export const partWords = (part: KeyedPart, value: number | string): string =>
  typeof value === 'string'
    ? value
    : isShare(part)
      ? `${Math.round(value * 1000) / 10} %`
      : String(Math.round(value * 100) / 100);
