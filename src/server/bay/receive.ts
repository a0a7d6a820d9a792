import { randomUUID } from 'node:crypto';
import { mkdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { formatOf, frameStep, isWatched, type Received } from '@/contract';
import { cutText } from '@/core/document';
import { rateSchema } from '@/core/timing';
import { models } from '../database';
import { needRoom } from '../disk';
import { runHeavy } from '../heavy';
import { HttpError, type Upload } from '../http';
import { readingSchema, type Reading } from './read-received';
import type { Reels } from './reel';
import { unreadable } from './refusal';
import { bayFolder, sourceOf } from './source';

const KEPT = 'read.json';

/** What was read of a file, as it was kept; null where it was not yet. */
async function kept(hash: string): Promise<Reading | null> {
  const text = await readFile(bayFolder(hash, KEPT), 'utf8').catch(() => null);
  return text === null ? null : readingSchema.parse(JSON.parse(text));
}

/** Files that are being read, by their hash: however many bring the same one, it is read once. */
const reading = new Map<string, Promise<Reading>>();

/**
 * Reads a file into a folder of its own, which is put in its place once all of it is there. One that is refused, or for which the disk
 * has no room, leaves what was there before as it was.
 */
async function readAside(hash: string, fill: (folder: string) => Promise<string>): Promise<Reading> {
  const folder = bayFolder(`${hash}.${randomUUID()}.part`);
  try {
    await mkdir(folder, { recursive: true });
    await needRoom(folder);
    const found = await runHeavy('received', { file: await fill(folder), folder });
    await writeFile(join(folder, KEPT), JSON.stringify(found));
    await rm(bayFolder(hash), { recursive: true, force: true });
    await rename(folder, bayFolder(hash));
    return found;
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** What is in a file: as it was read once, or read now and kept. */
async function readOnce(hash: string, fill: (folder: string) => Promise<string>): Promise<Reading> {
  const before = reading.get(hash);
  if (before) return before;
  const read = kept(hash).then((known) => known ?? readAside(hash, fill));
  const settled = read.finally(() => reading.delete(hash));
  reading.set(hash, settled);
  return settled;
}

/** An export's file stays among the assets. */
const readExport = (hash: string): Promise<Reading> => readOnce(hash, () => sourceOf(hash));

/** The reels of a received file. */
export const reelsOf = async (hash: string): Promise<Reels> =>
  ((await kept(hash)) ?? (await readExport(hash))).reels;

/** The text of a received file of vectors, which the page plays; films are never read as a whole. */
export async function vectorsOf(hash: string): Promise<Buffer> {
  const { picture } = await reelsOf(hash);
  if (picture.is !== 'vectors') throw new HttpError(404, 'The file holds no vectors.');
  return readFile(await sourceOf(hash));
}

/** Takes a file from outside in; it lies in the bay until that is tidied. */
export async function takeFile({ path, size, hash }: Upload, name: string): Promise<Received> {
  const { facts } = await readOnce(hash, async (folder) => {
    await rename(path, join(folder, 'file'));
    return join(folder, 'file');
  });
  // Read before, of an export that may go: what was brought stays here by itself.
  const home = bayFolder(hash, 'file');
  if (!(await stat(home).catch(() => null))) await rename(path, home).catch(() => {});
  return { ...facts, hash, name: cutText(name, 200) || 'file', bytes: size, export: null };
}

/** Takes the file of a finished export in. What the export says of it goes before what can only be guessed. */
export async function openExport(id: string): Promise<Received> {
  const row = await models().exports.findByPk(id, {
    attributes: {
      exclude: ['document'],
      include: [[models().database.literal(`document->'rate'`), 'rate']],
    },
  });
  if (!row) throw new HttpError(404, 'There is no such export.');
  if (!row.assetHash) throw new HttpError(409, 'This export has no file yet. Wait for it, or run it again.');
  const { settings, fileName, pieceId, revision, assetHash: hash, fills } = row;
  const format = formatOf(settings.format);
  if (!isWatched(format)) throw unreadable('there are no pictures in it.');
  const file = await sourceOf(hash);
  const { facts } = await readExport(hash);
  const pieceRate = rateSchema.parse(row.get('rate'));
  const step = frameStep(format, pieceRate);
  const { numerator, denominator } = pieceRate;
  const rate = { numerator, denominator: denominator * step };
  // Numbered pictures and SVG say nothing of their pace, and SVG nothing of its frames.
  const silent = format.shows === 'sequence' || facts.shows === 'svg';
  const told = { ...(silent && { rate }), ...(facts.shows === 'svg' && { frames: row.framesTotal }) };
  const { size } = await stat(file);
  return {
    ...facts,
    ...told,
    ...{ hash, name: fileName, bytes: size },
    export: { id, pieceId, revision, settings, filled: fills !== null },
  };
}
