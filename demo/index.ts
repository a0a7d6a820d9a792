import { newPiece } from '../src/core/document';
export const SAMPLE_PROJECT = { name: 'Saltmarsh Almanac', pieces: [newPiece('Opening title')] };
