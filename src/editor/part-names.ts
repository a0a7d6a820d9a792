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
  'place.x': 'Right by',
  'place.y': 'Down by',
  'place.scaleX': 'Scale X',
  'place.scaleY': 'Scale Y',
  'place.rotation': 'Turned by',
  'place.skewX': 'Slant sideways',
  'place.skewY': 'Slant upward',
  'place.pivotX': 'Pivot X',
  'place.pivotY': 'Pivot Y',
  'place.opacity': 'Opacity',
  'arrival.shown': 'There',
  'count.value': 'Number',
  'pin.x': 'X',
  'pin.y': 'Y',
};

const MASK_PARTS: Record<string, string> = {
  feather: 'soft edge',
  expansion: 'wider by',
  opacity: 'strength',
  path: 'shape',
  share: 'how far',
  radius: 'corner radius',
  radiusX: 'half width',
  radiusY: 'half height',
};

/** What people call a keyed part. */
export function partName(part: KeyedPart): string {
  const stop = /^ink\.gradient\.stops\.(\d+)\.(at|colour|opacity)$/.exec(part);
  if (stop) return `Colour ${Number(stop[1]) + 1}, ${stop[2] === 'at' ? 'place' : stop[2]}`;
  const mask = /^masks\.(\d+)\.(?:shape\.)?(\w+)$/.exec(part);
  if (mask) return `Mask ${Number(mask[1]) + 1}, ${MASK_PARTS[mask[2]!] ?? mask[2]!}`;
  return NAMES[part] ?? part.replace(/^ink\./, '').replaceAll('.', ', ');
}

const SHARES = /^(head|tail|slide)$|opacity|grow|\.tip$|\.at$|\.share$|\.scale[XY]$|^arrival\.shown$/;
const ANGLES = /\.(rotation|skewX|skewY|angle)$/;

/** Whether a part counts from 0 to 1. */
export const isShare = (part: KeyedPart): boolean => SHARES.test(part);

/** A value of a part as people write it. */
export const partWords = (part: KeyedPart, value: number | string): string =>
  typeof value === 'string'
    ? value
    : ANGLES.test(part)
      ? `${Math.round((value * 1800) / Math.PI) / 10}°`
      : isShare(part)
        ? `${Math.round(value * 1000) / 10} %`
        : String(Math.round(value * 100) / 100);
