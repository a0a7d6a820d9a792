import type { Path } from '../geometry';
import type { Rate } from '../timing';
import type { Ink } from './ink-schema';
import { SCHEMA_VERSION, type Piece, type Stroke } from './schema';

export const DEFAULT_INK = {
  width: 12,
  colour: '#ede6d8',
  opacity: 1,
  cap: 'round',
  join: 'round',
} as const satisfies Ink;

/** An empty piece, transparent, looked at over a checker. */
export function newPiece(
  name: string,
  size: Piece['size'] = { width: 1920, height: 1080 },
  rate: Rate = { numerator: 25, denominator: 1 },
  length = 100,
): Piece {
  return {
    schemaVersion: SCHEMA_VERSION,
    name,
    size,
    rate,
    length,
    over: null,
    underlays: [],
    guides: [],
    layers: [],
    styles: [],
    groups: [],
    markers: [],
    pins: [],
    fields: [],
  };
}

/** A stroke that is inked from end to end all the time. */
export function newStroke(id: string, name: string, path: Path, ink: Ink = DEFAULT_INK): Stroke {
  return {
    type: 'stroke',
    id,
    name,
    hidden: false,
    locked: false,
    path,
    ink,
    window: { head: 1, tail: 0, slide: 0 },
  };
}
