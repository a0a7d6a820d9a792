import type { Piece } from '../src/core/document';
import { lowerThird } from './lower-third';
import { openingTitle } from './opening-title';
import { tideRing } from './tide-ring';

/** The sample world: one invented series, its pieces made with the same edits that people use. */
export const SAMPLE_PROJECT: { name: string; pieces: Piece[] } = {
  name: 'Saltmarsh Almanac',
  pieces: [openingTitle(), lowerThird(), tideRing()],
};
