import { createHash, randomUUID } from 'node:crypto';
import { mkdir, open, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import sharp from 'sharp';
import { z } from 'zod';
import { formatOf, frameStep, isWatched, type Received } from '@/contract';
import { cutText } from '@/core/document';
import { framesPerSecond, rateSchema, type Rate } from '@/core/timing';
import { models } from '../database';
import { dataFolder } from '../data-folder';
import { asDiskFull, needRoom } from '../disk';
import { HttpError } from '../http';
import { kindOfFile } from './kind';
import { probe, type Probed } from './probe';
import { reelsSchema, type Reel, type Reels } from './reel';
import { rateNear } from './rate-near';
import { unreadable } from './refusal';
import { bayFolder, sourceOf } from './source';
import { openZip } from './zip-entries';

/** Most bytes of a file from outside. */
export const BAY_BYTES = 512 * 1024 * 1024;
/** Most bytes of one film within an archive. */
const MOST_FILM = 4 * 1024 * 1024 * 1024;
/** Vectors are read by the page as a whole. */
const MOST_VECTORS = 64 * 1024 * 1024;
/** What is assumed of files that don't say how quick they are. */
const PLAIN_RATE: Rate = { numerator: 25, denominator: 1 };
/** How far, s, times of frames may be off an even pace: some containers keep whole milliseconds, GIF hundredths. */
const EVEN = 0.011;

type Facts = Omit<Received, 'hash' | 'name' | 'bytes' | 'export'>;
interface Read {
  readonly facts: Facts;
  readonly reels: Reels;
}

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
  return {
    ...{ shows: 'frames', hasMatte, frames, rate, tags: null, problems: [] },
    width: info.width,
    height: info.pageHeight ?? info.height,
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
  const shown = moves
    ? delay.flatMap((ms, page) => Array<number>(Math.round(ms / quickest)).fill(page))
    : Array.from({ length: pages }, (_, page) => page);
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

const lottieSchema = z.looseObject({
  w: z.number().positive(),
  h: z.number().positive(),
  fr: z.number().positive(),
  ip: z.number(),
  op: z.number(),
  layers: z.array(z.unknown()),
});

async function readVectors(file: string, kind: 'svg' | 'json'): Promise<Read> {
  const { size } = await stat(file);
  if (size > MOST_VECTORS) throw unreadable('vectors of more than 64 MB are too much for a page.');
  const text = (await readFile(file)).toString('utf8');
  const plain = { hasMatte: false, pixels: '', alpha: true, tags: null, problems: [] };
  const reels: Reels = { picture: { is: 'vectors' }, matte: null };
  if (kind === 'json') {
    let data: unknown = null;
    try {
      data = JSON.parse(text);
    } catch {
      // What can't be parsed is no animation either.
    }
    const read = lottieSchema.safeParse(data);
    if (!read.success) throw unreadable('it is no vector animation JSON.');
    const { w, h, fr, ip, op } = read.data;
    const rate = rateNear(fr);
    const size = { width: Math.round(w), height: Math.round(h), frames: Math.max(1, Math.round(op - ip)) };
    return { facts: { ...plain, ...size, rate, shows: 'lottie', codec: 'Lottie' }, reels };
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
  const size2 = { width: Math.round(width), height: Math.round(height), frames };
  return { facts: { ...plain, ...size2, rate: PLAIN_RATE, shows: 'svg', codec: 'SVG' }, reels };
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

const KEPT = 'reels.json';

/** The reels of a received file, as they were found when it was read. */
export async function reelsOf(hash: string): Promise<Reels> {
  const text = await readFile(bayFolder(hash, KEPT), 'utf8').catch(() => null);
  if (text !== null) return reelsSchema.parse(JSON.parse(text));
  const { reels } = await readAndKeep(hash, await sourceOf(hash));
  return reels;
}

/** The text of a received file of vectors, which the page plays; films are never read as a whole. */
export async function vectorsOf(hash: string): Promise<Buffer> {
  const { picture } = await reelsOf(hash);
  if (picture.is !== 'vectors') throw new HttpError(404, 'The file holds no vectors.');
  return readFile(await sourceOf(hash));
}

async function readAndKeep(hash: string, file: string): Promise<Read> {
  await mkdir(bayFolder(hash), { recursive: true });
  const found = await read(file, hash);
  const part = bayFolder(hash, randomUUID());
  await writeFile(part, JSON.stringify(found.reels));
  await rename(part, bayFolder(hash, KEPT));
  return found;
}

/** Takes a file from outside in; it lies in the bay until that is tidied. */
export async function takeFile(bytes: Buffer, name: string): Promise<Received> {
  const hash = createHash('sha256').update(bytes).digest('hex');
  const file = bayFolder(hash, 'file');
  try {
    await mkdir(bayFolder(hash), { recursive: true });
    await needRoom(dataFolder(), bytes.length);
    await writeFile(file, bytes);
    const { facts } = await readAndKeep(hash, file);
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
  const { facts } = await readAndKeep(hash, file);
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
