import { createHash, randomUUID } from 'node:crypto';
import { mkdir, open, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import sharp from 'sharp';
import { z } from 'zod';
import { fileFactsSchema, formatOf, frameStep, isWatched, type Received } from '@/contract';
import { cutText } from '@/core/document';
import { MotionError, readLottieHead, type MotionHead } from '@/core/formats';
import { framesPerSecond, rateSchema, type Rate } from '@/core/timing';
import { models } from '../database';
import { dataFolder } from '../data-folder';
import { asDiskFull, needRoom } from '../disk';
import { HttpError } from '../http';
import { kindOfFile } from './kind';
import { MOST_FILM, MOST_FRAMES, MOST_SIDE, MOST_VECTORS } from './limits';
import { probe, type Probed } from './probe';
import { reelsSchema, type Reel, type Reels } from './reel';
import { rateNear } from './rate-near';
import { unreadable } from './refusal';
import { bayFolder, sourceOf } from './source';
import { openZip } from './zip-entries';

/** What is assumed of files that don't say how quick they are. */
const PLAIN_RATE: Rate = { numerator: 25, denominator: 1 };
/** How far, s, times of frames may be off an even pace: some containers keep whole milliseconds, GIF hundredths. */
const EVEN = 0.011;

/** What is read of a file once: facts for people, and how its frames are decoded. */
const keptSchema = z.strictObject({ facts: fileFactsSchema, reels: reelsSchema });
type Read = z.infer<typeof keptSchema>;
type Facts = Read['facts'];

function unevenness({ times }: Probed): string[] {
  if (times.length < 3) return [];
  const gap = (times.at(-1)! - times[0]!) / (times.length - 1);
  const off = Math.max(...times.map((time, i) => Math.abs(time - times[0]! - i * gap)));
  return off > EVEN ? [`Frames don’t come at an even pace: one is ${off.toFixed(3)} s off.`] : [];
}

const film = (probed: Probed, file: string): Reel => ({
  is: 'film',
  file,
  vp9: probed.codec === 'vp9',
  times: [...probed.times],
  width: probed.width,
  height: probed.height,
});

function factsOf(probed: Probed, hasMatte: boolean): Facts {
  const problems = unevenness(probed);
  if (probed.tags === '')
    problems.push(
      'Its colour is not tagged: a receiver has to guess the matrix, and colours may be off by up to 22 of 255.',
    );
  const { width, height, rate, codec, pixels, alpha, times } = probed;
  const tags = probed.tags || null;
  return {
    shows: 'frames',
    hasMatte,
    width,
    height,
    frames: times.length,
    rate,
    codec,
    pixels,
    alpha,
    tags,
    problems,
  };
}

async function readFilm(file: string): Promise<Read> {
  const probed = await probe(file);
  return { facts: factsOf(probed, false), reels: { picture: film(probed, ''), matte: null } };
}

/** Facts of pictures as sharp reads them. */
async function pictureFacts(
  bytes: Buffer | string,
  frames: number,
  hasMatte: boolean,
  rate: Rate,
): Promise<Facts> {
  const info = await sharp(bytes, { limitInputPixels: false, animated: false })
    .metadata()
    .catch(() => {
      throw unreadable('its pictures are damaged.');
    });
  const [width, height] = [info.width, info.pageHeight ?? info.height];
  if (width > MOST_SIDE || height > MOST_SIDE)
    throw unreadable(`its pictures are larger than ${MOST_SIDE} px a side.`);
  return {
    ...{ shows: 'frames', hasMatte, frames, rate, tags: null, problems: [] },
    width,
    height,
    codec: info.format,
    pixels: `${info.channels} × ${info.depth === 'ushort' ? 16 : 8} bits`,
    alpha: info.hasAlpha,
  };
}

async function readWebp(file: string): Promise<Read> {
  const { pages = 1, delay } = await sharp(file, { animated: true, limitInputPixels: false })
    .metadata()
    .catch(() => {
      throw unreadable('it is only a part of a WebP file.');
    });
  // A picture that stays longer than the quickest is as many frames.
  const quickest = Math.min(...(delay ?? []));
  const moves = pages > 1 && delay !== undefined && quickest > 0;
  const counts = Array.from({ length: pages }, (_, page) =>
    moves ? Math.round(delay[page]! / quickest) : 1,
  );
  if (counts.reduce((sum, count) => sum + count, 0) > MOST_FRAMES)
    throw unreadable(`its pictures stay so long that it has more than ${MOST_FRAMES} frames.`);
  const shown = counts.flatMap((count, page) => Array<number>(count).fill(page));
  const rate = moves ? rateNear((shown.length * 1000) / delay.reduce((sum, ms) => sum + ms, 0)) : PLAIN_RATE;
  const facts = await pictureFacts(file, shown.length, false, rate);
  return { facts, reels: { picture: { is: 'webp', pages: shown }, matte: null } };
}

/** A fill and its matte are told by their names, as exports have them: two files, or two folders of pictures. */
const isOf = (part: 'fill' | 'matte') => (name: string) =>
  new RegExp(`(^|[ _./-])${part}([ _./-]|$)`, 'i').test(name.replace(/\.[^.]*$/, ''));

async function readZip(file: string, hash: string): Promise<Read> {
  const zip = await openZip(file);
  try {
    const pictures = zip.names.filter((name) => /\.(png|webp|jpe?g)$/i.test(name));
    const films = zip.names.filter((name) => /\.(mov|mp4|webm|mkv|avi)$/i.test(name));
    const among = films.length > 0 ? films : pictures;
    if (among.length === 0) throw unreadable('there are neither films nor pictures in the archive.');
    const [fills, mattes] = [among.filter(isOf('fill')), among.filter(isOf('matte'))];
    const isPair = fills.length > 0 && fills.length === mattes.length;
    if (films.length > 0) {
      const [fill, matte] = isPair ? [fills[0]!, mattes[0]!] : [films[0]!, null];
      const taken = async (name: string, as: string): Promise<Probed> => {
        await zip.extract(name, bayFolder(hash, as), MOST_FILM);
        return probe(bayFolder(hash, as));
      };
      const picture = await taken(fill, 'fill');
      const other = matte === null ? null : await taken(matte, 'matte');
      const facts = factsOf(picture, other !== null);
      if (other && other.times.length !== picture.times.length)
        facts.problems.push(
          `The matte has ${other.times.length} frames, the fill ${picture.times.length}: they will drift apart.`,
        );
      return { facts, reels: { picture: film(picture, 'fill'), matte: other && film(other, 'matte') } };
    }
    const [first, second] = isPair ? [fills, mattes] : [pictures, null];
    const facts = await pictureFacts(await zip.read(first[0]!), first.length, second !== null, PLAIN_RATE);
    return {
      facts,
      reels: {
        picture: { is: 'pictures', entries: first },
        matte: second && { is: 'pictures', entries: second },
      },
    };
  } finally {
    zip.close();
  }
}

function headOfLottie(text: string): MotionHead {
  try {
    return readLottieHead(text);
  } catch (error) {
    throw unreadable(error instanceof MotionError ? lowered(error.message) : 'it can’t be read.');
  }
}
/** A sentence as the rest of one. */
const lowered = (words: string): string => words[0]!.toLowerCase() + words.slice(1);

async function readVectors(file: string, kind: 'svg' | 'json'): Promise<Read> {
  const { size: bytes } = await stat(file);
  if (bytes > MOST_VECTORS) throw unreadable('vectors of more than 64 MB are too much for a page.');
  const text = (await readFile(file)).toString('utf8');
  const plain = { hasMatte: false, pixels: '', alpha: true, tags: null, problems: [] };
  const reels: Reels = { picture: { is: 'vectors' }, matte: null };
  if (kind === 'json') {
    const { width, height, framesPerSecond: perSecond, frames } = headOfLottie(text);
    const size = { width: Math.round(width), height: Math.round(height), frames };
    return {
      facts: { ...plain, ...size, rate: rateNear(perSecond), shows: 'lottie', codec: 'Lottie' },
      reels,
    };
  }
  const head = /<svg\b[^>]*>/i.exec(text)?.[0] ?? '';
  const box = /viewBox\s*=\s*["']\s*[-\d.e]+[\s,]+[-\d.e]+[\s,]+([\d.e]+)[\s,]+([\d.e]+)/i.exec(head);
  const side = (name: string) =>
    Number(new RegExp(`\\b${name}\\s*=\\s*["']([\\d.]+)(px)?["']`).exec(head)?.[1]);
  const [width, height] = [side('width') || Number(box?.[1]), side('height') || Number(box?.[2])];
  if (!head || !width || !height) throw unreadable('it is no SVG, or one without a size.');
  // How long it moves: the longest of its animations, once through.
  const seconds = [
    ...text.matchAll(/\bdur\s*=\s*["']([\d.]+)(ms|s)["']|animation[^;}]*?\s([\d.]+)(ms|s)\b/g),
  ].map(([, dur, unit, css, cssUnit]) => Number(dur ?? css) * ((unit ?? cssUnit) === 'ms' ? 0.001 : 1));
  const frames = Math.max(
    1,
    Math.round(Math.min(600, Math.max(0, ...seconds)) * framesPerSecond(PLAIN_RATE)),
  );
  const size = { width: Math.round(width), height: Math.round(height), frames };
  return { facts: { ...plain, ...size, rate: PLAIN_RATE, shows: 'svg', codec: 'SVG' }, reels };
}

async function read(file: string, hash: string): Promise<Read> {
  const handle = await open(file);
  let head: Buffer;
  try {
    const { buffer, bytesRead } = await handle.read(Buffer.alloc(1024), 0, 1024, 0);
    head = buffer.subarray(0, bytesRead);
  } finally {
    await handle.close();
  }
  if (head.length === 0) throw unreadable('it is empty (0 bytes).');
  const kind = kindOfFile(head);
  if (kind === 'zip') return readZip(file, hash);
  if (kind === 'webp') return readWebp(file);
  return kind === 'media' ? readFilm(file) : readVectors(file, kind);
}

const KEPT = 'read.json';

/** What was read of a file, as it was kept; null where it was not yet. */
async function kept(hash: string): Promise<Read | null> {
  const text = await readFile(bayFolder(hash, KEPT), 'utf8').catch(() => null);
  return text === null ? null : keptSchema.parse(JSON.parse(text));
}

/** What is in a file: as it was read once, or read now and kept. */
async function readOnce(hash: string, file: string): Promise<Read> {
  const before = await kept(hash);
  if (before) return before;
  await mkdir(bayFolder(hash), { recursive: true });
  const found = await read(file, hash);
  const part = bayFolder(hash, randomUUID());
  await writeFile(part, JSON.stringify(found));
  await rename(part, bayFolder(hash, KEPT));
  return found;
}

/** The reels of a received file. */
export const reelsOf = async (hash: string): Promise<Reels> =>
  ((await kept(hash)) ?? (await readOnce(hash, await sourceOf(hash)))).reels;

/** The text of a received file of vectors, which the page plays; films are never read as a whole. */
export async function vectorsOf(hash: string): Promise<Buffer> {
  const { picture } = await reelsOf(hash);
  if (picture.is !== 'vectors') throw new HttpError(404, 'The file holds no vectors.');
  return readFile(await sourceOf(hash));
}

/** Takes a file from outside in; it lies in the bay until that is tidied. */
export async function takeFile(bytes: Buffer, name: string): Promise<Received> {
  const hash = createHash('sha256').update(bytes).digest('hex');
  const file = bayFolder(hash, 'file');
  try {
    await mkdir(bayFolder(hash), { recursive: true });
    await needRoom(dataFolder(), bytes.length);
    await writeFile(file, bytes);
    const { facts } = await readOnce(hash, file);
    return { ...facts, hash, name: cutText(name, 200) || 'file', bytes: bytes.length, export: null };
  } catch (error) {
    await rm(bayFolder(hash), { recursive: true, force: true });
    throw asDiskFull(error);
  }
}

/** Takes the file of a finished export in. What the export says of it goes before what can only be guessed. */
export async function openExport(id: string): Promise<Received> {
  const row = await models().exports.findByPk(id);
  if (!row) throw new HttpError(404, 'There is no such export.');
  if (!row.assetHash) throw new HttpError(409, 'This export has no file yet. Wait for it, or run it again.');
  const { settings, fileName, pieceId, revision, assetHash: hash, document, fills } = row;
  const format = formatOf(settings.format);
  if (!isWatched(format)) throw unreadable('there are no pictures in it.');
  const file = await sourceOf(hash);
  const { facts } = await readOnce(hash, file);
  const step = frameStep(format, document.rate);
  const { numerator, denominator } = rateSchema.parse(document.rate);
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
