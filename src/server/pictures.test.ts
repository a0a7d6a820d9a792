import { inkBounds } from '@/core/draw';
import { readdirSync, readFileSync } from 'node:fs';
import { createCanvas } from '@napi-rs/canvas';
import sharp from 'sharp';
import { addUnderlay, fittedUnderlay } from '@/core/document';

import { evaluate } from '@/core/scene';
import { closeConnection, models } from './database';
import { endHeavy, runHeavy } from './heavy';
import { openPicture, PICTURE_LIMITS, storePicture } from './pictures';
import { withBytes } from './http';
import { openOwnDatabase, freshProject, smallPiece } from './testing';
import { SAMPLE_PROJECT } from '../../demo';

const stored = (bytes: Buffer) => withBytes(bytes, storePicture);

afterAll(closeConnection);
beforeAll(async () => {
  // Assets are counted: nobody else may put any beside them.
  await openOwnDatabase();
  await freshProject();
});

const image = (width: number, height: number, channels: 3 | 4 = 3) =>
  sharp({ create: { width, height, channels, background: { r: 200, g: 90, b: 40, alpha: 0.5 } } });

test.each([
  ['PNG', async () => image(60, 40, 4).png().toBuffer()],
  ['JPEG', async () => image(60, 40).jpeg().toBuffer()],
  ['WebP', async () => image(60, 40, 4).webp().toBuffer()],
  ['CMYK JPEG', async () => image(60, 40).toColourspace('cmyk').jpeg().toBuffer()],
  ['16-bit PNG', async () => image(60, 40).toColourspace('rgb16').png().toBuffer()],
  ['grey PNG', async () => image(60, 40).greyscale().png().toBuffer()],
])('%s is taken in as 8 bits of sRGB, once for the same pixels', async (_, make) => {
  const bytes = await make();
  const picture = await stored(bytes);
  expect(picture).toMatchObject({ width: 60, height: 40 });
  expect(await stored(bytes)).toEqual(picture);
  const { mediaType, bytes: kept } = await openPicture(picture.hash);
  expect(mediaType).toBe('image/webp');
  expect(await sharp(kept).metadata()).toMatchObject({
    width: 60,
    height: 40,
    space: 'srgb',
    depth: 'uchar',
  });
});

test('pictures are turned upright, large ones made smaller, of moving ones the first is kept', async () => {
  const turned = await image(60, 40).withMetadata({ orientation: 6 }).jpeg().toBuffer();
  expect(await stored(turned)).toMatchObject({ width: 40, height: 60 });
  const wide = await image(6000, 300).png().toBuffer();
  expect(await stored(wide)).toMatchObject({ width: PICTURE_LIMITS.side });
  const frames = await sharp(Buffer.alloc(20 * 40 * 3, 90), {
    raw: { width: 20, height: 40, channels: 3, pageHeight: 20 },
  })
    .webp({ loop: 0, delay: [80, 80] })
    .toBuffer();
  expect(await stored(frames)).toMatchObject({ width: 20 });
});

test('an SVG is painted by our own reader: what it would load or run is not there', async () => {
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="100" height="50"><rect width="50" height="50" fill="#ff0000"/>
    <image href="file:///etc/passwd" width="50" height="50"/><script>1</script></svg>`;
  const picture = await stored(Buffer.from(svg));
  expect(picture.width / picture.height).toBe(2);
  const { data, info } = await sharp((await openPicture(picture.hash)).bytes)
    .raw()
    .toBuffer({ resolveWithObject: true });
  const at = (x: number) => [...data.subarray(4 * (10 * info.width + x), 4 * (10 * info.width + x) + 4)];
  expect(at(Math.floor(info.width * 0.25))).toEqual([255, 0, 0, 255]);
  expect(at(Math.floor(info.width * 0.75))).toEqual([0, 0, 0, 0]);
});

/** A PNG that says it is far larger than it is. */
async function bomb(): Promise<Buffer> {
  const small = await image(8, 8).png().toBuffer();
  small.writeUInt32BE(60_000, 16);
  small.writeUInt32BE(60_000, 20);
  return small;
}

test.each([
  ['nothing', async () => Buffer.alloc(0), /empty/],
  ['text', async () => Buffer.from('not a picture at all'), /neither PNG/],
  ['a PDF', async () => Buffer.from('%PDF-1.7\n'), /neither PNG/],
  ['a GIF named like a picture', async () => Buffer.from('GIF89a....'), /neither PNG/],
  ['a cut PNG', async () => (await image(300, 300).png().toBuffer()).subarray(0, 200), /damaged/],
  [
    'a cut JPEG',
    async () =>
      (
        await sharp(Buffer.alloc(300 * 300 * 3, 7), { raw: { width: 300, height: 300, channels: 3 } })
          .jpeg()
          .toBuffer()
      ).subarray(0, 300),
    /damaged/,
  ],
  [
    'only a PNG’s first bytes',
    async () => Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 1, 2, 3]),
    /damaged/,
  ],
  ['a decompression bomb', bomb, /unfolds|damaged/],
  ['broken SVG', async () => Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><g>'), /not well-formed/],
])('%s is refused in words, and nothing is kept', async (_, make, words) => {
  const before = await models().assets.count();
  await expect(stored(await make())).rejects.toMatchObject({
    status: 422,
    message: expect.stringMatching(words),
  });
  expect(await models().assets.count()).toBe(before);
});

test('an underlay is never part of the picture: the draw list, and so every export, is the same without it', async () => {
  const canvas = createCanvas(320, 180);
  const { hash, width, height } = await stored(await canvas.encode('png'));
  const bare = smallPiece();
  const underlay = {
    id: 'u',
    name: 'Map',
    hidden: false,
    locked: false,
    asset: hash,
    width,
    height,
    opacity: 1,
  };
  const laid = addUnderlay(bare, { ...underlay, ...fittedUnderlay(bare.size, { width, height }) });
  for (const frame of [0, 4, 8]) expect(evaluate(laid, frame)).toEqual(evaluate(bare, frame));
  expect(inkBounds(evaluate(laid, 0), 320, 180)).toEqual(inkBounds(evaluate(bare, 0), 320, 180));
});

test('work that takes too much of a processor or of memory is ended in words, and the next is done', async () => {
  const order = { text: JSON.stringify(SAMPLE_PROJECT.pieces[0]) };
  const tooLong = { limits: { seconds: 0.001, megabytes: 1000 } };
  await expect(runHeavy('strip', order, tooLong)).rejects.toThrow(/too involved.*seconds of a processor/);
  await expect(runHeavy('strip', order, { limits: { seconds: 30, megabytes: 1 } })).rejects.toThrow(
    /MB of memory/,
  );
  // Of several that wait, one that is ended takes none of the others with it.
  const [slow, ...others] = await Promise.allSettled([
    runHeavy('strip', order, tooLong),
    runHeavy('thumbnail', order),
    runHeavy('thumbnail', { text: JSON.stringify(smallPiece('Other')) }),
  ]);
  expect(slow.status).toBe('rejected');
  expect(others.map((one) => one.status)).toEqual(['fulfilled', 'fulfilled']);
  endHeavy();
});

/** Processes that this one started, by what Linux says of each process's parent. */
const children = (): number[] =>
  readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .filter((pid) => {
      try {
        const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
        return Number(stat.slice(stat.lastIndexOf(')') + 2).split(' ')[1]) === process.pid;
      } catch {
        return false;
      }
    })
    .map(Number);

test('a process for heavy work that is killed, idle or at work, costs nobody anything', async () => {
  const order = { text: JSON.stringify(smallPiece()) };
  const before = new Set(children());
  await runHeavy('thumbnail', order);
  for (const pid of children()) if (!before.has(pid)) process.kill(pid, 'SIGKILL');
  // Given its order before this process has heard that it is gone.
  expect((await runHeavy('thumbnail', order)).length).toBeGreaterThan(100);
  const working = runHeavy('thumbnail', order);
  for (const pid of children()) if (!before.has(pid)) process.kill(pid, 'SIGKILL');
  expect((await working).length).toBeGreaterThan(100);
  endHeavy();
});
