import type { Matrix, Path } from '../../geometry';
import type { Rate } from '../../timing';
import type { ArtGroup, ArtShape } from './art';
import type { Ink } from './ink';
import {
  SCHEMA_VERSION,
  type Art,
  type Lettering,
  type Piece,
  type SetText,
  type Stroke,
  type TextSetting,
} from './piece';

export const DEFAULT_INK = {
  width: 12,
  colour: '#ede6d8',
  opacity: 1,
  cap: 'round',
  join: 'round',
} as const satisfies Ink;

/** Round ink of a width (px) and a colour, with what differs. */
export const inkOf = (width: number, colour: string, part: Partial<Ink> = {}): Ink => ({
  ...DEFAULT_INK,
  width,
  colour,
  ...part,
});

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

/** Text as it was set, its anchor at the origin unless said otherwise. */
export const newLettering = (
  id: string,
  name: string,
  setting: TextSetting,
  set: SetText,
  part: Partial<Lettering> = {},
): Lettering => ({
  type: 'lettering',
  id,
  name,
  hidden: false,
  locked: false,
  opacity: 1,
  colour: DEFAULT_INK.colour,
  x: 0,
  y: 0,
  setting,
  set,
  ...part,
});

/** Art of shapes that were read of a file. */
export const newArt = (
  id: string,
  name: string,
  { shapes, groups }: { readonly shapes: readonly ArtShape[]; readonly groups: readonly ArtGroup[] },
  transform: Matrix,
): Art => ({
  type: 'art',
  id,
  name,
  hidden: false,
  locked: false,
  opacity: 1,
  transform,
  shapes,
  ...(groups.length > 0 && { groups }),
});

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
