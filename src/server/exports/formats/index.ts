import type { FormatId } from '@/contract';
import { pngOf, webpOf } from '../encode-picture';
import type { WriteFormat } from '../export-job';
import { videoWriter } from '../write-video';
import { apng } from './apng';
import { writeGif } from './gif';
import { lossless } from './lossless';
import { mp4 } from './mp4';
import { writePngSequence } from './png-sequence';
import { prores } from './prores';
import { stillWriter } from './still';
import { writeSvgFile } from './svg';
import { writeCueSheet, writeKeysCsv, writeKeysJson } from './tables';
import { webm } from './webm';
import { webp } from './webp';

/** What writes each format. What is known of it, for people to choose by, stands in the contract under the same id. */
export const WRITE: Readonly<Record<FormatId, WriteFormat>> = {
  webm: videoWriter(webm),
  prores: videoWriter(prores),
  lossless: videoWriter(lossless),
  mp4: videoWriter(mp4),
  apng: videoWriter(apng),
  webp: videoWriter(webp),
  gif: writeGif,
  png: writePngSequence,
  'still-png': stillWriter(pngOf),
  'still-webp': stillWriter(webpOf),
  svg: writeSvgFile,
  'still-svg': writeSvgFile,
  'keys-csv': writeKeysCsv,
  'keys-json': writeKeysJson,
  'cues-csv': writeCueSheet,
};
