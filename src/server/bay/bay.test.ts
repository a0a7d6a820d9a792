import { someOf } from '@/core/testing/cases';
import { mkdtempSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { randomUUID } from 'node:crypto';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { createCanvas } from '@napi-rs/canvas';
import { strToU8, zipSync } from 'fflate';
import sharp from 'sharp';
import {
  BAY,
  EXPORT_FORMATS,
  exportSettingsSchema,
  formatOf,
  FORMAT_IDS,
  isSingle,
  wholeSettings,
  type ExportSettings,
  type FormatId,
  type Transparency,
} from '@/contract';
import { lay, natureOf, type Way } from '@/core/bay';
import type { Piece } from '@/core/document';
import { paint } from '@/core/paint';
import { evaluate } from '@/core/scene';
import { framesPerSecond } from '@/core/timing';
import { closeConnection } from '../database';
import { WRITE } from '../exports/formats';
import { openOwnDatabase, freshProject, smallPiece } from '../testing';
import { withBytes } from '../http';
import { receivedFrame, takeFile, vectorsOf } from '.';

const taken = (bytes: Uint8Array, name: string) => withBytes(bytes, (upload) => takeFile(upload, name));

const folder = mkdtempSync(join(tmpdir(), 'obelus-bay-'));
process.env.OBELUS_DATA = folder;
beforeAll(async () => {
  await openOwnDatabase();
  await freshProject();
});
afterAll(async () => {
  await closeConnection();
  rmSync(folder, { recursive: true, force: true });
});

const [WIDTH, HEIGHT] = [320, 180];
// More frames than are decoded at a time, so that runs are entered at their beginnings.
const piece = smallPiece('Reed line', 30);

const made = new Map<string, Buffer>();

/** The bytes of a file of a piece; of stills the ninth frame. Each is made once. */
async function written(
  asked: Partial<ExportSettings> & { format: FormatId },
  of: Piece = piece,
): Promise<Buffer> {
  const key = JSON.stringify([asked, of.rate]);
  const before = made.get(key);
  if (before) return before;
  const still = isSingle(formatOf(asked.format));
  const settings = wholeSettings(
    exportSettingsSchema.parse({ scale: 1, first: still ? 8 : 0, last: still ? 8 : of.length - 1, ...asked }),
  );
  const file = join(folder, `${settings.format}-${settings.transparency}`);
  await WRITE[settings.format]({ piece: of, settings, stem: 'Reed', file, progress: () => true });
  const bytes = readFileSync(file);
  made.set(key, bytes);
  return bytes;
}

function painted(frame: number): Uint8ClampedArray {
  const context = createCanvas(WIDTH, HEIGHT).getContext('2d');
  paint(evaluate(piece, frame), context, createCanvas);
  return context.getImageData(0, 0, WIDTH, HEIGHT).data;
}

const GROUND = new Uint8ClampedArray(WIDTH * HEIGHT * 4).map((_, i) => [70, 110, 150, 255][i % 4]!);
const laid = (way: Way, picture: Uint8Array | Uint8ClampedArray, matte: Uint8Array | null = null) => {
  const out = new Uint8ClampedArray(GROUND.length);
  lay(way, picture, matte, GROUND, out);
  return out;
};
/** Mean distance of a channel. */
function apart(a: Uint8ClampedArray, b: Uint8ClampedArray): number {
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += Math.abs(a[i]! - b[i]!);
  return sum / a.length;
}

const WAY_OF = { straight: 'straight', premultiplied: 'premultiplied', matte: 'matte', key: 'key' } as const;
const PAIR_OF: Partial<Record<Transparency, FormatId>> = { matte: 'prores', key: 'mp4' };
const isFilm = (format: FormatId): boolean => formatOf(format).shows === 'video';
const CASES = FORMAT_IDS.filter((id) => !formatOf(id).vector && formatOf(id).shows !== 'table').flatMap(
  (format) =>
    EXPORT_FORMATS[format].transparencies.flatMap((transparency) =>
      // Pairs of films are told and read the same way: one codec for each kind of pair will do.
      transparency in WAY_OF && !(isFilm(format) && (PAIR_OF[transparency] ?? format) !== format)
        ? ([[format, transparency as keyof typeof WAY_OF]] as const)
        : [],
    ),
);

test.each(someOf(CASES, 9))(
  '%s, %s: received, and taken as it is meant, every frame is the piece over what lies beneath',
  async (format, transparency) => {
    const received = await taken(await written({ format, transparency }), `x.${format}`);
    const still = formatOf(format).shows === 'still';
    const frames = still ? 1 : 30;
    expect(received).toMatchObject({
      ...{ shows: 'frames', width: WIDTH, height: HEIGHT, frames, problems: [] },
      hasMatte: transparency === 'matte' || transparency === 'key',
      export: null,
    });
    if (format !== 'png' && !still)
      expect(received.rate.numerator / received.rate.denominator).toBeCloseTo(25, 1);
    // Out of order, as scrubbing asks for them; about the ends of runs.
    const off = new Map<number, number>();
    for (const i of still ? [0] : [29, 12, 11, 5, 24, 23, 0]) {
      const frame = still ? 8 : i;
      const picture = gunzipSync(await receivedFrame(received.hash, 'picture', i));
      const matte = received.hasMatte ? gunzipSync(await receivedFrame(received.hash, 'matte', i)) : null;
      off.set(frame, apart(laid(WAY_OF[transparency], picture, matte), laid('straight', painted(frame))));
      const told = natureOf(picture, matte);
      const nature = received.hasMatte
        ? ({ matte: 'fill straight', key: 'fill premultiplied' } as Record<string, string>)[transparency]
        : transparency;
      // The pieces' ink is bright: where there is enough of it, its pixels tell.
      if (told !== null) expect({ frame, told }).toEqual({ frame, told: nature });
    }
    // A frame that is another than it should be is off by 3 and more in the mean, lossy video by 0.5 at most.
    expect([...off].filter(([, mean]) => mean > 0.6)).toEqual([]);
    await expect(receivedFrame(received.hash, 'picture', frames)).rejects.toThrow('no such frame');
  },
  60_000,
);

const RATES = [
  [{ numerator: 30000, denominator: 1001 }, 'webp'],
  [{ numerator: 30, denominator: 1 }, 'webp'],
  [{ numerator: 24000, denominator: 1001 }, 'webm'],
  [{ numerator: 60000, denominator: 1001 }, 'prores'],
  [{ numerator: 12, denominator: 1 }, 'apng'],
  [{ numerator: 24, denominator: 1 }, 'lottie'],
] as const;

test.each(someOf(RATES, 3))(
  'the rate %j of a file (%s) is the one that was sent, and what is answered holds to the contract',
  async (rate, format) => {
    const received = await taken(await written({ format }, { ...piece, rate }), 'x');
    expect(BAY.take.answer.parse(received)).toEqual(received);
    const off = framesPerSecond(received.rate) / framesPerSecond(rate) - 1;
    // Whole milliseconds a frame don't tell 30 from 29.97.
    expect(Math.abs(off)).toBeLessThan(format === 'webp' ? 0.0015 : 1e-9);
    expect(received).toMatchObject({ frames: 30, problems: [] });
  },
);

test('vectors are told by what is in them, with their size, pace and length', async () => {
  const lottie = await taken(await written({ format: 'lottie' }), 'a');
  expect(lottie).toMatchObject({ shows: 'lottie', width: WIDTH, height: HEIGHT, frames: 30 });
  expect(lottie.rate.numerator / lottie.rate.denominator).toBe(25);
  expect((await vectorsOf(lottie.hash)).equals(await written({ format: 'lottie' }))).toBe(true);
  const film = await taken(await written({ format: 'webm' }), 'c');
  await expect(vectorsOf(film.hash)).rejects.toMatchObject({ status: 404 });
  expect(await taken(await written({ format: 'svg' }), 'b')).toMatchObject({
    ...{ shows: 'svg', width: WIDTH, height: HEIGHT, frames: 30 },
  });
});

test('colour that is not tagged and matte and fill of different lengths are said', async () => {
  const { execFileSync } = await import('node:child_process');
  const bare = join(folder, 'bare.mp4');
  execFileSync('ffmpeg', [
    ...['-v', 'error', '-y', '-f', 'lavfi', '-i', 'color=red:s=64x64:d=0.4:r=25'],
    ...['-pix_fmt', 'yuv420p', '-c:v', 'libx264', bare],
  ]);
  const told = await taken(readFileSync(bare), 'bare.mp4');
  expect(told.problems.join()).toContain('not tagged');
  const short = await written({ format: 'mp4', last: 9 });
  const long = await written({ format: 'mp4', last: 12 });
  const pair = zipSync({ 'Reed fill.mp4': long, 'Reed matte.mp4': short }, { level: 0 });
  expect((await taken(Buffer.from(pair), 'pair')).problems.join()).toContain('drift apart');
});

test('16 bits a channel, and names that say nothing, are read all the same', async () => {
  const deep = await sharp({ create: { width: 8, height: 8, channels: 4, background: '#ff8040' } })
    .toColourspace('rgb16')
    .png()
    .toBuffer();
  const received = await taken(deep, '');
  expect(received).toMatchObject({ width: 8, height: 8, frames: 1, name: 'file', pixels: 'rgba64be' });
  expect([...gunzipSync(await receivedFrame(received.hash, 'picture', 0)).subarray(0, 4)]).toEqual([
    255, 128, 64, 255,
  ]);
});

const flat = (width: number, height: number, red = 32) =>
  sharp({ create: { width, height, channels: 4, background: { r: red, g: 64, b: 96, alpha: 1 } } });
/** An animated WebP of differing pictures, each of which stays so long, ms. */
const staying = async (delay: number[]): Promise<Buffer> => {
  const pictures = await Promise.all(
    delay.map((_, i) =>
      flat(8, 8, 2 * i)
        .png()
        .toBuffer(),
    ),
  );
  return sharp(pictures, { join: { animated: true } })
    .webp({ delay, lossless: true })
    .toBuffer();
};

test('a file is read once: opened again it is as it was, though nothing of it is unpacked anew', async () => {
  const bytes = await written({ format: 'prores', transparency: 'matte' });
  const first = await taken(bytes, 'a.zip');
  const extracted = join(folder, 'bay', first.hash, 'fill');
  const { mtimeMs } = statSync(extracted);
  expect(await taken(bytes, 'a.zip')).toEqual(first);
  expect(statSync(extracted).mtimeMs).toBe(mtimeMs);
});

test('what can’t be shown is refused in words, and nothing of it is kept', async () => {
  const film = await written({ format: 'prores' });
  const secret = join(folder, 'secret.txt');
  writeFileSync(secret, 'secret');
  const list = `#EXTM3U\n#EXT-X-TARGETDURATION:1\n#EXTINF:1,\nfile://${secret}\n#EXT-X-ENDLIST\n`;
  const picture = await written({ format: 'still-png' });
  const zip = (entries: Record<string, Uint8Array>) => Buffer.from(zipSync(entries));
  const outside = zip({ 'aa/aa/Reed.png': picture });
  // A path that leads out of the archive, written over a name of the same length.
  for (const at of [outside.indexOf('aa/aa'), outside.lastIndexOf('aa/aa')]) outside.write('../..', at);
  const CASES: [string, Buffer, RegExp][] = [
    ['nothing', Buffer.alloc(0), /empty \(0 bytes\)/],
    ['words', Buffer.from('A letter to the tide keeper.'), /no film, picture or animation/],
    ['a list that names other files', Buffer.from(list), /no film, picture or animation/],
    ['half a film', film.subarray(0, film.length >> 1), /only a part|no film/],
    ['half an archive', zip({ 'Reed.png': picture }).subarray(0, 200), /damaged|part/],
    ['an archive of words', zip({ 'read me.txt': strToU8('words') }), /neither films nor pictures/],
    ['a path out of the archive', outside, /damaged/],
    ['JSON of something else', Buffer.from('{"layers": 3}'), /no vector animation/],
    ['half of JSON', Buffer.from('{"layers": ['), /not readable JSON/],
    ['JSON without a size', Buffer.from('{"layers": []}'), /does not say its size/],
    ['a picture wider than any frame', await flat(8200, 2).png().toBuffer(), /larger than 8192 px/],
    ['a WebP wider than any frame', await flat(8200, 2).webp().toBuffer(), /larger than 8192 px/],
    [
      'pictures that stay for days',
      await staying([20, ...Array<number>(100).fill(65_535)]),
      /more than 324000 frames/,
    ],
    ['SVG without a size', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'), /without a size/],
    ['half a WebP', (await written({ format: 'webp' })).subarray(0, 40), /part of a WebP|damaged/],
  ];
  for (const [what, bytes, words] of CASES) {
    const said = await taken(bytes, 'x').then(
      () => 'was taken',
      (error: Error & { status?: number }) => `${error.status} ${error.message}`,
    );
    expect([what, said]).toEqual([what, expect.stringMatching(words)]);
    expect([what, said]).toEqual([what, expect.stringMatching(/^422 .*Nothing was changed\.$/)]);
  }
});

test('a file that is sent twice at once is read once; one that is refused is refused to both, and harms no earlier copy', async () => {
  const words = Buffer.from(`No picture at all, ${randomUUID()}.`);
  const both = await Promise.allSettled([taken(words, 'a'), taken(words, 'b')]);
  expect(both.map((one) => one.status === 'rejected' && one.reason)).toEqual([
    expect.objectContaining({ status: 422 }),
    expect.objectContaining({ status: 422 }),
  ]);
  expect(readdirSync(join(folder, 'bay')).filter((name) => name.includes('.part'))).toEqual([]);
  const good = await flat(20, 10).png().toBuffer();
  const [one, two] = await Promise.all([taken(good, 'same'), taken(good, 'same')]);
  expect(two).toEqual(one);
  expect(await readFile(join(folder, 'bay', one.hash, 'file'))).toEqual(good);
});
