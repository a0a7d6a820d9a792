import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { readdir, readFile, rename, rm, stat, utimes, writeFile } from 'node:fs/promises';
import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import sharp from 'sharp';
import type { FramePart } from '@/contract';
import { needRoom } from '../disk';
import { HttpError } from '../http';
import { openZip } from '../zip';
import { MOST_ENTRIES, MOST_PICTURE, MOST_PIXELS, MOST_SIDE } from './limits';
import { ONLY_FILES } from './probe';
import { reelsOf } from './receive';
import { unreadable } from './refusal';
import type { Reel } from './reel';
import { bayFolder, sourceOf } from './source';

const pack = promisify(gzip);
/** Frames that are decoded at a time: what comes next is asked for next. */
const RUN = 12;
/** Decoded frames that are kept of a file: the oldest go. */
const KEPT = 240;
/** A run that takes longer is ended, ms. */
const MOST_MS = 60_000;

type Film = Extract<Reel, { is: 'film' }>;

/** Decodes a run of a film from one of its frames on. */
async function* filmFrames(film: Film, file: string, first: number): AsyncGenerator<Buffer> {
  const { times, width, height } = film;
  // Half a frame before the one that is meant, so that rounding does not lose it.
  const before = first === 0 ? 0 : (times[first - 1]! + times[first]!) / 2 - times[0]!;
  const child = spawn(
    'ffmpeg',
    [
      ...['-v', 'error', ...ONLY_FILES],
      ...(film.vp9 ? ['-c:v', 'libvpx-vp9'] : []),
      ...(before > 0 ? ['-ss', before.toFixed(6)] : []),
      ...['-i', file, '-frames:v', String(Math.min(RUN, times.length - first)), '-fps_mode', 'passthrough'],
      ...['-sws_flags', 'bicubic+accurate_rnd+full_chroma_int'],
      ...['-f', 'rawvideo', '-pix_fmt', 'rgba', 'pipe:1'],
    ],
    { stdio: ['ignore', 'pipe', 'ignore'], timeout: MOST_MS },
  );
  const size = width * height * 4;
  let chunks: Buffer[] = [];
  let held = 0;
  try {
    for await (const chunk of child.stdout) {
      chunks.push(chunk as Buffer);
      held += (chunk as Buffer).length;
      while (held >= size) {
        const all = Buffer.concat(chunks);
        yield all.subarray(0, size);
        chunks = [all.subarray(size)];
        held -= size;
      }
    }
  } finally {
    child.kill('SIGKILL');
  }
}

/** A picture as straight RGBA, eight bits a channel. */
const rawPicture = (bytes: Buffer | string, page?: number): Promise<Buffer> =>
  sharp(bytes, { limitInputPixels: MOST_PIXELS, ...(page !== undefined && { page, pages: 1 }) })
    .toColourspace('srgb')
    .ensureAlpha()
    .raw({ depth: 'uchar' })
    .toBuffer()
    .catch(() => {
      throw unreadable(`one of its pictures is damaged, or has more than ${MOST_SIDE} × ${MOST_SIDE} px.`);
    });

async function* framesOf(reel: Reel, hash: string, first: number): AsyncGenerator<Buffer> {
  const file = await sourceOf(hash);
  if (reel.is === 'film') yield* filmFrames(reel, reel.file ? bayFolder(hash, reel.file) : file, first);
  else if (reel.is === 'webp') yield await rawPicture(file, reel.pages[first]);
  else if (reel.is === 'pictures') {
    const zip = await openZip(file, { entries: MOST_ENTRIES, refuse: unreadable });
    try {
      yield await rawPicture(await zip.read(reel.entries[first]!, MOST_PICTURE));
    } finally {
      zip.close();
    }
  }
}

const countOf = (reel: Reel): number =>
  reel.is === 'film'
    ? reel.times.length
    : reel.is === 'pictures'
      ? reel.entries.length
      : reel.is === 'webp'
        ? reel.pages.length
        : 0;

const nameOf = (part: FramePart, frame: number): string => `${part}-${frame}.rgba.gz`;

async function keep(hash: string, name: string, pixels: Buffer): Promise<void> {
  const part = bayFolder(hash, `${randomUUID()}.part`);
  await writeFile(part, await pack(pixels, { level: 1 }));
  await rename(part, bayFolder(hash, name));
}

/** Of many decoded frames the oldest go. */
async function forgetOldest(hash: string): Promise<void> {
  const names = (await readdir(bayFolder(hash))).filter((name) => name.endsWith('.gz'));
  if (names.length <= KEPT) return;
  const aged = await Promise.all(
    names.map(async (name) => ({
      name,
      at: (await stat(bayFolder(hash, name)).catch(() => null))?.mtimeMs ?? 0,
    })),
  );
  aged.sort((a, b) => a.at - b.at);
  for (const { name } of aged.slice(0, names.length - KEPT)) await rm(bayFolder(hash, name), { force: true });
}

const damaged = (frame: number): Error =>
  unreadable(`frame ${frame} can’t be decoded: the file is damaged there, or only a part of one.`);

/** Frames that are being decoded one after another: each is there before the last of them is. */
interface Run {
  readonly frames: ReadonlyMap<number, Promise<void>>;
  /** Nobody looks there any more. */
  overtaken: boolean;
}
const running = new Map<string, Set<Run>>();
/** Runs of one part at a time: whoever scrubs is past all but the last. */
const MOST_RUNS = 2;

/** Decodes frames from one on. */
function startRun(hash: string, reel: Reel, part: FramePart, first: number): Run {
  const count = reel.is === 'film' ? Math.min(RUN, countOf(reel) - first) : 1;
  const frames = new Map<number, Promise<void>>();
  const settle = new Map<number, { kept: () => void; lost: (error: unknown) => void }>();
  for (let frame = first; frame < first + count; frame++) {
    const promise = new Promise<void>((kept, lost) => settle.set(frame, { kept, lost }));
    promise.catch(() => {});
    frames.set(frame, promise);
  }
  const decode = async (): Promise<void> => {
    await needRoom(bayFolder(hash));
    let at = first;
    for await (const pixels of framesOf(reel, hash, first)) {
      await keep(hash, nameOf(part, at), pixels);
      settle.get(at++)?.kept();
      if (run.overtaken) break;
    }
    const lost = (frame: number): Error =>
      run.overtaken ? new HttpError(409, 'Another frame is looked at by now.') : damaged(frame);
    for (; at < first + count; at++) settle.get(at)!.lost(lost(at));
    await forgetOldest(hash);
  };
  const key = `${hash} ${part}`;
  const runs = running.get(key) ?? new Set();
  const run: Run = { frames, overtaken: false };
  running.set(key, runs.add(run));
  for (const old of [...runs].slice(0, -MOST_RUNS)) old.overtaken = true;
  void decode()
    .catch((error: unknown) => settle.forEach(({ lost }) => lost(error)))
    .finally(() => {
      runs.delete(run);
      if (runs.size === 0) running.delete(key);
    });
  return run;
}

/** One frame of a received file: raw RGBA, packed by gzip. */
export async function receivedFrame(hash: string, part: FramePart, frame: number): Promise<Buffer> {
  const file = bayFolder(hash, nameOf(part, frame));
  const there = (): Promise<Buffer | null> => readFile(file).catch(() => null);
  const kept = await there();
  if (kept) {
    const now = new Date();
    // What is looked at now is not the oldest.
    await utimes(file, now, now).catch(() => {});
    return kept;
  }
  const reel = (await reelsOf(hash))[part];
  if (!reel || frame >= countOf(reel)) throw new HttpError(404, 'The file has no such frame.');
  // However many ask for it, and for those after it, it is decoded once.
  const under = [...(running.get(`${hash} ${part}`) ?? [])].find(({ frames }) => frames.has(frame));
  await (under ?? startRun(hash, reel, part, frame)).frames.get(frame);
  const decoded = await there();
  if (!decoded) throw damaged(frame);
  return decoded;
}
