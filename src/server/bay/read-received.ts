import { open, readFile, stat } from 'node:fs/promises';
import { join } from 'node:path';
import sharp from 'sharp';
import { z } from 'zod';
import { fileFactsSchema } from '@/contract';
import { MotionError, readLottieHead, type MotionHead } from '@/core/formats';
import { framesPerSecond, type Rate } from '@/core/timing';
import { openZip } from '../zip';
import { kindOfFile } from './kind';
import {
  MOST_BEFORE_HEAD,
  MOST_ENTRIES,
  MOST_FILM,
  MOST_FRAMES,
  MOST_HEAD,
  MOST_PICTURE,
  MOST_SIDE,
  MOST_VECTORS,
} from './limits';
import { probe, type Probed } from './probe';
import { rateNear } from './rate-near';
import { reelsSchema, type Reel, type Reels } from './reel';
import { unreadable } from './refusal';

/** What is assumed of files that don't say how quick they are. */
const PLAIN_RATE: Rate = { numerator: 25, denominator: 1 };
/** How far, s, times of frames may be off an even pace: some containers keep whole milliseconds, GIF hundredths. */
const EVEN = 0.011;

/** What is read of a file once: facts for people, and how its frames are decoded. */
export const readingSchema = z.strictObject({ facts: fileFactsSchema, reels: reelsSchema });
export type Reading = z.infer<typeof readingSchema>;
type Facts = Reading['facts'];

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

async function readFilm(file: string): Promise<Reading> {
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

async function readWebp(file: string): Promise<Reading> {
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

const ARCHIVE = { entries: MOST_ENTRIES, refuse: unreadable };

/** A fill and its matte are told by their names, as exports have them: two files, or two folders of pictures. */
const isOf = (part: 'fill' | 'matte') => (name: string) =>
  new RegExp(`(^|[ _./-])${part}([ _./-]|$)`, 'i').test(name.replace(/\.[^.]*$/, ''));

async function readZip(file: string, folder: string): Promise<Reading> {
  const zip = await openZip(file, ARCHIVE);
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
        await zip.extract(name, join(folder, as), MOST_FILM);
        return probe(join(folder, as));
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
    const facts = await pictureFacts(
      await zip.read(first[0]!, MOST_PICTURE),
      first.length,
      second !== null,
      PLAIN_RATE,
    );
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

/** The first tag of an SVG file, which says how large it is; empty where there is none near its beginning. */
function headOfSvg(text: string): string {
  const from = text.slice(0, MOST_BEFORE_HEAD).search(/<svg\b/i);
  const to = from < 0 ? -1 : text.indexOf('>', from);
  return to < 0 ? '' : text.slice(from, Math.min(to + 1, from + MOST_HEAD));
}

/** Seconds of a length of time as SVG and CSS write it. */
const secondsOf = (number: string, unit: string): number => Number(number) * (unit === 'ms' ? 0.001 : 1);

/** How long an SVG moves, s: the longest of its animations, once through. */
function longestAnimation(text: string): number {
  let longest = 0;
  for (const [, dur, unit] of text.matchAll(/\bdur\s{0,9}=\s{0,9}["'](\d{1,9}(?:\.\d{0,9})?)(ms|s)["']/g))
    longest = Math.max(longest, secondsOf(dur!, unit!));
  // A declaration ends with its list: each part between is looked at once.
  for (const declaration of text.split(/[;{}]/)) {
    if (!/^\s*animation/.test(declaration)) continue;
    for (const [, number, unit] of declaration.matchAll(/(?<![\w.])(\d{0,9}\.?\d{1,9})(ms|s)\b/g))
      longest = Math.max(longest, secondsOf(number!, unit!));
  }
  return longest;
}

async function readVectors(file: string, kind: 'svg' | 'json'): Promise<Reading> {
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
  const head = headOfSvg(text);
  const box = /viewBox\s*=\s*["']\s*[-\d.e]+[\s,]+[-\d.e]+[\s,]+([\d.e]+)[\s,]+([\d.e]+)/i.exec(head);
  const side = (name: string) =>
    Number(new RegExp(`\\b${name}\\s*=\\s*["']([\\d.]+)(px)?["']`).exec(head)?.[1]);
  const [width, height] = [side('width') || Number(box?.[1]), side('height') || Number(box?.[2])];
  if (!head || !width || !height) throw unreadable('it is no SVG, or one without a size.');
  const frames = Math.max(1, Math.round(Math.min(600, longestAnimation(text)) * framesPerSecond(PLAIN_RATE)));
  const size = { width: Math.round(width), height: Math.round(height), frames };
  return { facts: { ...plain, ...size, rate: PLAIN_RATE, shows: 'svg', codec: 'SVG' }, reels };
}

/**
 * Reads what is in a file from outside or of an export, whatever it is called.
 * @param folder where films of an archive are put.
 * @throws HttpError in words where it can't be shown.
 */
export async function readReceived({
  file,
  folder,
}: {
  readonly file: string;
  readonly folder: string;
}): Promise<Reading> {
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
  if (kind === 'zip') return readZip(file, folder);
  if (kind === 'webp') return readWebp(file);
  return kind === 'media' ? readFilm(file) : readVectors(file, kind);
}
