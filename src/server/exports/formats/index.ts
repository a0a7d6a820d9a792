import type { FormatId } from '@/contract';
import { webpOf } from '../encode-picture';
import type { WriteFormat } from '../export-job';
import { pictureFrames, pngFrames } from '../picture-frames';
import { videoWriter, type Codec } from '../write-video';
import { apng } from './apng';
import { writeGif } from './gif';
import { lossless } from './lossless';
import { mp4 } from './mp4';
import { writePngSequence } from './png-sequence';
import { writeElement, writePage } from './pages';
import { writePdf } from './pdf';
import { prores } from './prores';
import { stillWriter } from './still';
import { writeLottieFile, writeSvgFile } from './vectors';
import { writeCueSheet, writeKeysCsv, writeKeysJson } from './tables';
import { webm } from './webm';
import { webp } from './webp';

/** How ffmpeg makes the formats that are nothing but its frames, one after another. */
export const CODECS = { webm, prores, lossless, mp4, apng, webp } as const satisfies Partial<
  Record<FormatId, Codec>
>;

/** What writes each format. What is known of it, for people to choose by, stands in the contract under the same id. */
export const WRITE: Readonly<Record<FormatId, WriteFormat>> = {
  webm: videoWriter(CODECS.webm),
  prores: videoWriter(CODECS.prores),
  lossless: videoWriter(CODECS.lossless),
  mp4: videoWriter(CODECS.mp4),
  apng: videoWriter(CODECS.apng),
  webp: videoWriter(CODECS.webp),
  gif: writeGif,
  png: writePngSequence,
  page: writePage,
  element: writeElement,
  'still-png': stillWriter(pngFrames),
  'still-webp': stillWriter((piece, settings) => pictureFrames(piece, settings, webpOf)),
  svg: writeSvgFile,
  lottie: writeLottieFile,
  'still-svg': writeSvgFile,
  'still-pdf': writePdf,
  'keys-csv': writeKeysCsv,
  'keys-json': writeKeysJson,
  'cues-csv': writeCueSheet,
};
