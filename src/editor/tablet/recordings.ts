import narrator from './recordings/narrator.json';
import reeds from './recordings/reeds.json';
import type { PenRecording } from './replay';

/** Pen movements that ship, invented for the sample world; scripts/record-pen.ts made them. */
export const PEN_RECORDINGS: readonly PenRecording[] = [
  narrator,
  reeds,
] as unknown as readonly PenRecording[];
