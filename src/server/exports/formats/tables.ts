import { writeFile } from 'node:fs/promises';
import Papa from 'papaparse';
import type { Piece } from '@/core/document';
import { cueSheet, keysTable } from '@/core/formats';
import { rateName } from '@/core/timing';
import { asDiskFull } from '../../disk';
import type { WriteFormat } from '../export-job';

/** Writes a text made of a piece. */
const textWriter =
  (textOf: (piece: Piece) => string): WriteFormat =>
  async ({ piece, file, progress }) => {
    await writeFile(file, textOf(piece)).catch((error: unknown) => {
      throw asDiskFull(error);
    });
    return progress(1);
  };

/** Comma-separated values (RFC 4180) under a line of names. What a sheet would take for a formula is kept as text. */
const csv = (rows: readonly object[], columns: readonly string[]): string =>
  `${Papa.unparse({ fields: [...columns], data: rows as object[] }, { escapeFormulae: /^[=+@\t\r]|^-(?!\d)/ })}\r\n`;

const KEY_COLUMNS = ['layer', 'part', 'frame', 'timecode', 'value', 'unit', 'easing'];
const CUE_COLUMNS = ['what', 'name', 'frame', 'timecode', 'lastFrame', 'lastTimecode'];

export const writeKeysCsv = textWriter((piece) => csv(keysTable(piece), KEY_COLUMNS));
export const writeCueSheet = textWriter((piece) => csv(cueSheet(piece), CUE_COLUMNS));
export const writeKeysJson = textWriter((piece) => {
  const { name, size, length } = piece;
  const rate = rateName(piece.rate);
  return `${JSON.stringify({ piece: name, ...size, framesPerSecond: rate, length, keys: keysTable(piece) }, null, 1)}\n`;
});
