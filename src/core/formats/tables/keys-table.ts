import { allKeyed, keysAt, keyedParts, propertyOf, type KeyValue, type Piece } from '../../document';
import { compactPathData, wholePath } from '../../geometry';
import type { Unit } from '../../properties';
import { cssOf, timecode } from '../../timing';

/** One key of a piece, in the words and units of the interface. */
export interface KeyRow {
  /** What bears it: a layer, a group, a pin or the piece. */
  readonly layer: string;
  readonly part: string;
  readonly frame: number;
  readonly timecode: string;
  /** A number in `unit`, a colour as #rrggbb, or a shape as path data. */
  readonly value: number | string;
  readonly unit: string;
  /** How it travels on to the next key, as CSS writes it; by its name where CSS has no word for it. */
  readonly easing: string;
}

/** How many of what is written one of what is kept is. */
const UNITS: Readonly<Record<Unit, readonly [unit: string, per: number]>> = {
  px: ['px', 1],
  share: ['%', 100],
  angle: ['°', 180 / Math.PI],
  frames: ['fr', 1],
  widths: ['widths', 1],
  times: ['×', 1],
  number: ['', 1],
};

const written = (value: KeyValue, per: number): number | string => {
  if (typeof value === 'number') return Number((value * per).toFixed(4));
  return typeof value === 'string' ? value : compactPathData(wholePath(value), 2);
};

/** Every key of a piece, layer by layer and part by part, in the order of its frames. */
export const keysTable = (piece: Piece): KeyRow[] =>
  allKeyed(piece).flatMap(({ id, name, keyed }) =>
    keyedParts(keyed).flatMap((part) => {
      const property = propertyOf(keyed, part);
      const [unit, per] = property?.kind === 'number' ? UNITS[property.unit] : (['', 1] as const);
      return keysAt(piece, { stroke: id, part }).map(({ frame, value, easing }): KeyRow => ({
        layer: name,
        part: property?.fullName ?? part,
        frame,
        timecode: timecode(Math.round(frame), piece.rate),
        value: written(value, per),
        unit,
        easing: cssOf(easing) ?? easing.type,
      }));
    }),
  );
