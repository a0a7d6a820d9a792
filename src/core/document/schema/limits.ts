import { MOST_ART_DATA } from './art';
import { NAME_LENGTH } from './names';
import { MOST_POINTS } from './path';

/** Bounds that keep a piece workable; documents beyond them are refused with the place of the fault. */
export const LIMITS = {
  pointsPerStroke: MOST_POINTS,
  strokes: 2000,
  side: 8192,
  frames: 216_000,
  nameLength: NAME_LENGTH,
  textLength: 2000,
  /** Letters of a text of which a person chose how they are written. */
  ductus: 200,
  /** How often one text is set along axes of its face. */
  shapesAlong: 64,
  underlays: 50,
  guides: 100,
  styles: 200,
  groups: 500,
  markers: 500,
  pins: 200,
  fields: 200,
  nested: 4,
  /** Characters of path data in one piece of art, all shapes together. */
  artData: MOST_ART_DATA,
} as const;
