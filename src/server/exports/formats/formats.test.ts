import { someOf } from '@/core/testing/cases';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createCanvas, type Canvas } from '@napi-rs/canvas';
import { unzipSync } from 'fflate';
import sharp from 'sharp';
import {
  EXPORT_FORMATS,
  exportedFrames,
  exportSettingsSchema,
  formatOf,
  FORMAT_IDS,
  isApart,
  isSingle,
  wholeSettings,
  type ExportSettings,
  type FormatId,
  type Transparency,
} from '@/contract';
import {
  addLayers,
  applyManner,
  changed,
  inkOf,
  newPiece,
  placementAbout,
  newStroke,
  updateStrokes,
  type Piece,
} from '@/core/document';
import { corner } from '@/core/geometry';
import { paint } from '@/core/paint';
import { evaluate, posterFrame } from '@/core/scene';
import { SAMPLE_PROJECT } from '../../../../demo';
import { smallPiece } from '../../testing';
import { startFfmpeg } from '../ffmpeg';
import { WRITE } from '.';

const folder = mkdtempSync(join(tmpdir(), 'obelus-formats-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const OVER = '#15604e';
const [WIDTH, HEIGHT] = [320, 180];
const piece = smallPiece('Reed line');

/** Writes a file of a piece; of stills the seventh frame. */
async function written(asked: Partial<ExportSettings> & { format: FormatId }, of: Piece = piece) {
  const frame = isSingle(formatOf(asked.format)) ? 6 : null;
  const settings = wholeSettings(
    exportSettingsSchema.parse({
      scale: 1,
      first: frame ?? 0,
      last: frame ?? of.length - 1,
      over: OVER,
      ...asked,
    }),
  );
  const file = join(folder, `${settings.format}-${settings.transparency}`);
  expect(
    await WRITE[settings.format]({ piece: of, settings, stem: 'Reed', file, progress: () => true }),
  ).toBe(true);
  return { file, settings };
}

/** A frame as Skia paints it, over a colour where one is named. */
function painted(frame: number, over?: string): Canvas {
  const canvas = createCanvas(WIDTH, HEIGHT);
  const context = canvas.getContext('2d');
  if (over) {
    context.fillStyle = over;
    context.fillRect(0, 0, WIDTH, HEIGHT);
  }
  const own = createCanvas(WIDTH, HEIGHT);
  paint(evaluate(piece, frame), own.getContext('2d'), createCanvas);
  context.drawImage(own, 0, 0);
  return canvas;
}
const straight = (canvas: Canvas) => canvas.getContext('2d').getImageData(0, 0, WIDTH, HEIGHT).data;

/** What a receiver should find in a file's frames (of a pair: in the fill and in the matte), painted by Skia and not by what is tested. */
function expected(frame: number, transparency: Transparency): Record<string, Uint8ClampedArray> {
  const opaque = (canvas: Canvas) => straight(canvas);
  const own = painted(frame);
  const pixels = straight(own);
  const mapped = (of: (r: number, g: number, b: number, a: number) => number[]) => {
    const out = new Uint8ClampedArray(pixels.length);
    for (let i = 0; i < out.length; i += 4)
      out.set(of(pixels[i]!, pixels[i + 1]!, pixels[i + 2]!, pixels[i + 3]!), i);
    return out;
  };
  const matte = mapped((_r, _g, _b, a) => [a, a, a, 255]);
  switch (transparency) {
    case 'straight':
      return { '': pixels };
    case 'premultiplied':
      return { '': Uint8ClampedArray.from(own.data()) };
    case 'over':
      return { '': opaque(painted(frame, OVER)) };
    case 'edge': {
      const over = opaque(painted(frame, OVER));
      return { '': over.map((v, i) => (pixels[i | 3]! < 128 ? 0 : v)) };
    }
    case 'matte':
      return { fill: mapped((r, g, b) => [r, g, b, 255]), matte };
    case 'key':
      return { fill: opaque(painted(frame, '#000000')), matte };
  }
}

/** Frames of a file as RGBA, decoded by ffmpeg; animated WebP, which it does not read, by libwebp. */
async function decoded(file: string, format: FormatId): Promise<Buffer[]> {
  const size = WIDTH * HEIGHT * 4;
  const cut = (all: Buffer) =>
    Array.from({ length: all.length / size }, (_, i) => all.subarray(i * size, (i + 1) * size));
  if (format === 'webp') {
    // Equal frames are one that stays longer: by its time it counts for several.
    const picture = sharp(readFileSync(file), { animated: true });
    const { delay } = await picture.metadata();
    const frames = cut(await picture.ensureAlpha().raw().toBuffer());
    return frames.flatMap((frame, i) => Array<Buffer>(Math.round((delay![i]! / 1000) * 25)).fill(frame));
  }
  if (format === 'still-webp' || format === 'still-png')
    return cut(await sharp(readFileSync(file)).ensureAlpha().raw().toBuffer());
  const codec = format === 'webm' ? ['-c:v', 'libvpx-vp9'] : [];
  const args = ['-v', 'error', ...codec, '-i', file, '-f', 'rawvideo', '-pix_fmt', 'rgba', '-'];
  return cut(execFileSync('ffmpeg', args, { maxBuffer: 1 << 30 }));
}

/** The files of an export, by what they are called; pictures of a sequence behind one another. */
async function framesOf(
  file: string,
  { format, transparency }: ExportSettings,
): Promise<Record<string, Buffer[]>> {
  const { shows } = formatOf(format);
  if (shows !== 'sequence' && !isApart(transparency!)) return { '': await decoded(file, format) };
  const out: Record<string, Buffer[]> = {};
  for (const [name, bytes] of Object.entries(unzipSync(readFileSync(file)))) {
    const one = join(folder, 'one');
    writeFileSync(one, bytes);
    const part = /(fill|matte)/.exec(name)?.[0] ?? '';
    (out[part] ??= []).push(...(await decoded(one, shows === 'sequence' ? 'still-png' : format)));
  }
  return out;
}

/** How far the colour of inked pixels may be off in the mean, of 255: colour at a quarter of the resolution shows at edges. */
const LOSSY: Partial<Record<FormatId, number>> = { webm: 6, prores: 0.5, mp4: 6, gif: 1 };

/** Vectors are compared in a browser (e2e/vectors.spec.ts). */
const cases = FORMAT_IDS.filter(
  (format) => !formatOf(format).vector && formatOf(format).shows !== 'table',
).flatMap((format) =>
  EXPORT_FORMATS[format].transparencies.map((transparency) => ({ format, transparency })),
);

test.each(cases)('$format, $transparency: the picture outside is what Skia paints', async (asked) => {
  const { file, settings } = await written(asked);
  const found = await framesOf(file, settings);
  const still = formatOf(asked.format).shows === 'still';
  const lossy = LOSSY[asked.format];
  for (const frame of still ? [6] : [0, 4, 6, 9, 11]) {
    for (const [part, wanted] of Object.entries(expected(frame, asked.transparency))) {
      const frames = found[part]!;
      expect(frames).toHaveLength(still ? 1 : 12);
      const got = frames[still ? 0 : frame]!;
      let [alphaOff, edges, colourOff, inked, worst] = [0, 0, 0, 0, 0];
      const alphas = straight(painted(frame));
      for (let i = 0; i < wanted.length; i += 4) {
        const a = alphas[i + 3]!;
        if (a > 0 && a < 255) {
          edges++;
          alphaOff += Math.abs(got[i + 3]! - wanted[i + 3]!);
        }
        // Where nothing is, the colour of a straight picture is nobody's.
        if (a === 0 && (asked.transparency === 'straight' || part === 'fill')) {
          if (part === '') worst = Math.max(worst, got[i + 3]!);
          continue;
        }
        if (a < 24 || wanted[i + 3] === 0) continue;
        inked++;
        for (let c = 0; c < 3; c++) {
          const off = Math.abs(got[i + c]! - wanted[i + c]!);
          colourOff += off / 3;
          worst = Math.max(worst, off);
        }
      }
      const where = `frame ${frame} ${part}`;
      const off = { alpha: alphaOff / Math.max(1, edges), colour: colourOff / Math.max(1, inked) };
      // Rounding in another order may be off by one.
      const most = lossy ? { alpha: 2, colour: lossy } : { alpha: 0, colour: 0.5 };
      if (off.alpha > most.alpha || off.colour > most.colour || (!lossy && worst > 1))
        throw new Error(`${where}: off by ${JSON.stringify({ ...off, worst })}`);
    }
  }
});

const BT709 = {
  color_range: 'tv',
  color_space: 'bt709',
  color_primaries: 'bt709',
  color_transfer: 'bt709',
};

test.each([
  ['webm', { codec_name: 'vp9', pix_fmt: 'yuv420p', ...BT709 }],
  ['prores', { codec_name: 'prores', profile: '4444', pix_fmt: 'yuva444p12le', ...BT709 }],
  [
    'lossless',
    // Red, green and blue as they are: no matrix.
    {
      ...{ codec_name: 'qtrle', pix_fmt: 'argb' },
      ...{ color_space: 'gbr', color_primaries: 'bt709', color_transfer: 'bt709' },
    },
  ],
  ['mp4', { codec_name: 'h264', pix_fmt: 'yuv420p', ...BT709 }],
  ['apng', { codec_name: 'apng', pix_fmt: 'rgba' }],
  ['gif', { codec_name: 'gif' }],
] as const)('%s, as ffprobe reads it: codec, pixels, colours, rate and frames', async (format, facts) => {
  const { file } = await written({ format });
  const args = ['-v', 'error', '-count_frames', '-show_streams', '-of', 'json', file];
  const [stream] = JSON.parse(execFileSync('ffprobe', args).toString()).streams;
  expect(stream).toMatchObject({
    ...facts,
    width: WIDTH,
    height: HEIGHT,
    r_frame_rate: '25/1',
    nb_read_frames: '12',
  });
});

test('WebM: nothing is left of the ink in blank frames, and two exports of the same frames are the same bytes', async () => {
  const manner = { kind: 'both', from: 'start', onAt: 2, onFrames: 6, offAt: 10, offFrames: 4 } as const;
  const gone = applyManner(smallPiece('Gone', 24), ['a', 'b'], manner);
  for (const quality of ['high', 'small'] as const) {
    const { file } = await written({ format: 'webm', quality }, gone);
    const first = readFileSync(file);
    await written({ format: 'webm', quality }, gone);
    expect(readFileSync(file).equals(first)).toBe(true);
    const args = ['-v', 'error', '-c:v', 'libvpx-vp9', '-i', file, '-vf', 'alphaextract'];
    const all = execFileSync('ffmpeg', [...args, '-f', 'rawvideo', '-pix_fmt', 'gray', '-'], {
      maxBuffer: 1 << 28,
    });
    const most = (frame: number): number =>
      all.subarray(frame * WIDTH * HEIGHT, (frame + 1) * WIDTH * HEIGHT).reduce((a, b) => Math.max(a, b), 0);
    expect(most(9)).toBeGreaterThan(200);
    // A level of 255 is what the smaller one rounds to.
    for (const frame of [15, 19, 23]) expect(most(frame)).toBeLessThanOrEqual(quality === 'high' ? 0 : 1);
  }
});

test('odd sizes: H.264 gets a row and a column of the ground, all others keep them', async () => {
  const odd = { ...piece, size: { width: 321, height: 179 } };
  for (const [format, size] of [
    ['mp4', '322x180'],
    ['prores', '321x179'],
    ['lossless', '321x179'],
    ['gif', '321x179'],
    ['apng', '321x179'],
  ] as const) {
    const { file } = await written({ format }, odd);
    const args = ['-v', 'error', '-show_entries', 'stream=width,height', '-of', 'csv=p=0:s=x', file];
    expect(`${format} ${execFileSync('ffprobe', args).toString().trim()}`).toBe(`${format} ${size}`);
  }
});

test('GIF holds fifty frames a second: of quicker pieces every second leaves, at the same speed; 24 a second keeps its length', async () => {
  const quick = { ...piece, rate: { numerator: 60000, denominator: 1001 } };
  const asked = { format: 'gif', scale: 1, first: 0, last: 11 } as const;
  expect(exportedFrames(asked, quick.rate)).toEqual([0, 2, 4, 6, 8, 10]);
  const seconds = (file: string) =>
    Number(
      execFileSync('ffprobe', ['-v', 'error', '-show_entries', 'format=duration', '-of', 'csv=p=0', file]),
    );
  expect(seconds((await written({ format: 'gif' }, quick)).file)).toBeCloseTo(12 / 59.94, 1);
  const film = smallPiece('Film', 48);
  const { file } = await written({ format: 'gif' }, { ...film, rate: { numerator: 24, denominator: 1 } });
  expect(Math.abs(seconds(file) - 2)).toBeLessThan(0.02);
});

test('players begin again or not, as asked: GIF, APNG and WebP say so', async () => {
  for (const plays of ['again', 'once'] as const) {
    const gif = readFileSync((await written({ format: 'gif', plays })).file);
    expect(gif.includes('NETSCAPE2.0')).toBe(plays === 'again');
    const apng = readFileSync((await written({ format: 'apng', plays })).file);
    // acTL: frames and plays, 0 for ever (W3C PNG, third edition).
    expect(apng.readUInt32BE(apng.indexOf('acTL') + 8)).toBe(plays === 'again' ? 0 : 1);
    const webp = readFileSync((await written({ format: 'webp', plays })).file);
    // ANIM: a background colour of four bytes, then how often (RFC 9649, 2.7.1.1).
    expect(webp.readUInt16LE(webp.indexOf('ANIM') + 12)).toBe(plays === 'again' ? 0 : 1);
  }
});

test('a sequence is numbered from any frame; the files of a pair lie apart and agree in number', async () => {
  const names = async (asked: Partial<ExportSettings>) =>
    Object.keys(unzipSync(readFileSync((await written({ format: 'png', ...asked })).file)));
  expect(await names({ first: 3, last: 5, number: 86400 })).toEqual([
    'Reed_86400.png',
    'Reed_86401.png',
    'Reed_86402.png',
  ]);
  expect(await names({ first: 3, last: 4, transparency: 'key' })).toEqual([
    'fill/Reed_fill_0003.png',
    'matte/Reed_matte_0003.png',
    'fill/Reed_fill_0004.png',
    'matte/Reed_matte_0004.png',
  ]);
  expect(
    Object.keys(unzipSync(readFileSync((await written({ format: 'prores', transparency: 'matte' })).file))),
  ).toEqual(['Reed fill.mov', 'Reed matte.mov']);
});

test('a piece of one frame and an empty one leave in every format; what is stopped leaves nothing beside it', async () => {
  const empty = newPiece('Nothing', { width: 64, height: 48 }, { numerator: 25, denominator: 1 }, 1);
  const single = addLayers({ ...empty, size: piece.size }, piece.layers);
  for (const format of FORMAT_IDS) {
    const frame = { first: 0, last: 0 };
    for (const one of [empty, single]) expect((await written({ format, ...frame }, one)).file).toBeTruthy();
  }
  const before = readdirSync(folder);
  for (const { format, transparency } of cases) {
    if (formatOf(format).shows === 'still') continue;
    const settings = wholeSettings({ format, transparency, scale: 1, first: 0, last: 11 });
    const file = join(folder, 'stopped');
    let frames = 0;
    const progress = () => ++frames < 3;
    expect(await WRITE[format]({ piece, settings, stem: 'Reed', file, progress })).toBe(false);
    rmSync(file, { force: true });
  }
  expect(readdirSync(folder)).toEqual(before);
});

test('an ffmpeg without an encoder is said in words, with what to do', async () => {
  const encoder = startFfmpeg([
    '-f',
    'rawvideo',
    '-s',
    '2x2',
    '-pix_fmt',
    'rgba',
    '-i',
    'pipe:0',
    '-c:v',
    'no_such',
    join(folder, 'x.mov'),
  ]);
  await expect(encoder.finish()).rejects.toThrow(
    /has no encoder no_such\. Install Debian’s ffmpeg, or choose/,
  );
});

test('what a format can’t do is refused in words', () => {
  const asked = { scale: 1, first: 0, last: 3 };
  for (const [settings, path, words] of [
    [
      { ...asked, format: 'mp4', transparency: 'straight' },
      'transparency',
      /can’t be “alpha, straight” in MP4/,
    ],
    [{ ...asked, format: 'gif', transparency: 'key' }, 'transparency', /can’t be .* in GIF/],
    [{ ...asked, format: 'still-png' }, 'last', /this is a still/],
    [{ ...asked, format: 'webm', first: 4 }, 'last', /before the first/],
    [{ ...asked, format: 'avi' }, 'format', /./],
    [{ ...asked, format: 'mp4', over: 'red' }, 'over', /must be a colour/],
    [{ ...asked, format: 'svg', last: 3000 }, 'last', /SVG, animated holds 3000 at most/],
  ] as const) {
    const { error } = exportSettingsSchema.safeParse(settings);
    expect(error?.issues.map((issue) => issue.path.join('.'))).toContain(path);
    expect(error?.issues.map((issue) => issue.message).join()).toMatch(words);
  }
});

test.each(someOf(SAMPLE_PROJECT.pieces, 5).map((piece) => [piece.name, piece] as const))(
  '%s: a page of PDF, drawn by another program, is the frame',
  async (name, sample) => {
    const frame = posterFrame(sample);
    const asked = { format: 'still-pdf', first: frame, last: frame, scale: 1 } as const;
    const settings = wholeSettings(exportSettingsSchema.parse({ ...asked, transparency: 'straight' }));
    const file = join(folder, 'page.pdf');
    await WRITE['still-pdf']({ piece: sample, settings, stem: 'p', file, progress: () => true });
    // 96 dots an inch: a pixel of the page is a pixel of the piece.
    execFileSync('pdftoppm', ['-r', '96', '-png', '-singlefile', file, join(folder, 'page')]);
    const drawn = await sharp(join(folder, 'page.png'))
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    const { width, height } = sample.size;
    expect(drawn.info).toMatchObject({ width, height });
    const canvas = createCanvas(width, height);
    const context = canvas.getContext('2d');
    context.fillStyle = '#ffffff';
    context.fillRect(0, 0, width, height);
    const own = createCanvas(width, height);
    paint(evaluate(sample, frame), own.getContext('2d'), createCanvas);
    context.drawImage(own, 0, 0);
    const wanted = context.getImageData(0, 0, width, height).data;
    let [off, far, ink] = [0, 0, 0];
    for (let i = 0; i < wanted.length; i += 4) {
      let most = 0;
      for (let c = i; c < i + 3; c++) most = Math.max(most, Math.abs(wanted[c]! - drawn.data[c]!));
      off += most;
      if (Math.min(wanted[i]!, wanted[i + 1]!, wanted[i + 2]!) >= 250) continue;
      ink++;
      if (most > 32) far++;
    }
    // Measured: 0.03 to 0.32 of 255 in the mean; edges are drawn otherwise in up to 2.7 %, the thin dashes of the route in 6.4 %, melted ink, which
    // is a picture twice as dense, in 5.7 %.
    expect(off / (width * height)).toBeLessThan(0.5);
    expect(far / ink).toBeLessThan(['Eel route', 'High water'].includes(name) ? 0.08 : 0.03);
  },
  60_000,
);

test('the same frame is the same page of PDF', async () => {
  const [a, b] = [await written({ format: 'still-pdf' }), await written({ format: 'still-pdf' })];
  expect(Buffer.compare(readFileSync(a.file), readFileSync(b.file))).toBe(0);
});

test('what vectors have no word for is drawn frame by frame, or refused with its layers named', async () => {
  const end = { length: 40, unit: 'px', tip: 0, curve: { type: 'linear' } } as const;
  const tapered = updateStrokes(piece, ['a', 'b'], (stroke) => ({
    ...stroke,
    ink: { ...stroke.ink, taper: { end, over: 'visible' } },
  }));
  const refused = /has no word for Curve · Bar\. Let it be drawn frame by frame/;
  for (const format of ['svg', 'lottie'] as const) {
    await written({ format, wordless: 'refused' });
    await expect(written({ format, wordless: 'refused' }, tapered)).rejects.toThrow(refused);
    await written({ format, wordless: 'drawn' }, tapered);
  }
});

/** Straight RGBA of 16 bits of a PNG, read by ffmpeg. */
function deepPixels(file: string): Uint16Array {
  const args = ['-v', 'error', '-i', file, '-f', 'rawvideo', '-pix_fmt', 'rgba64le', '-'];
  const bytes = execFileSync('ffmpeg', args, { maxBuffer: 1 << 28 });
  return new Uint16Array(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.length));
}

test('PNG of 16 bits: what stands is as in 8; motion blur has more steps than 8 bits hold, and rounds to the same', async () => {
  const still = await written({ format: 'still-png', depth: '16' });
  const own = straight(painted(6));
  deepPixels(still.file).forEach((value, i) => {
    if (own[i | 3]! > 0 && value !== own[i]! * 257) throw new Error(`${i}: ${value} for ${own[i]}`);
  });
  // A bar that moves 40 px while a shutter of half a turn is open 20 px of them: two ramps of 20 px (geometry).
  const place = {
    ...placementAbout({ x: 0, y: 0 }),
    x: { keys: [0, 8].map((frame) => ({ frame, value: frame * 20, easing: { type: 'linear' as const } })) },
  };
  const bar = newStroke(
    'bar',
    'Bar',
    { closed: false, points: [corner(40, 20), corner(40, 160)] },
    inkOf(60, '#ffffff', { cap: 'flat' }),
  );
  const moving = changed<Piece>(
    addLayers(newPiece('Blur', { width: 320, height: 180 }, piece.rate, 12), [{ ...bar, place }]),
    { shutter: { angle: Math.PI, phase: 0 } },
  );
  const row = (pixels: ArrayLike<number>) =>
    Array.from({ length: 320 }, (_, x) => pixels[(90 * 320 + x) * 4 + 3]!);
  const fine = row(deepPixels((await written({ format: 'still-png', depth: '16' }, moving)).file));
  const { file } = await written({ format: 'still-png', depth: '8' }, moving);
  const coarse = row(await sharp(file).ensureAlpha().raw().toBuffer());
  expect(Math.max(...fine.map((value, i) => Math.abs(value / 257 - coarse[i]!)))).toBeLessThan(1.6);
  // In the ramps there are values that no eight bits have.
  const ramp = fine.filter((value) => value > 0 && value < 65_535);
  expect(ramp.filter((value) => value % 257 !== 0).length).toBeGreaterThan(ramp.length / 2);
  // The ramp's slope: full over the way that the bar goes while the shutter is open, 10 px.
  const from = fine.findIndex((value) => value > 0);
  const whole = fine.findIndex((value) => value === 65_535);
  expect(whole - from).toBeGreaterThanOrEqual(9);
  expect(whole - from).toBeLessThanOrEqual(11);
  expect(() =>
    exportSettingsSchema.parse({
      format: 'png',
      depth: '16',
      transparency: 'matte',
      scale: 1,
      first: 0,
      last: 1,
    }),
  ).toThrow('16 bits');
  expect(() =>
    exportSettingsSchema.parse({ format: 'webm', depth: '16', scale: 1, first: 0, last: 1 }),
  ).toThrow('16 bits');
});

test.each(['premultiplied', 'over', 'key'] as const)(
  'PNG sequence of 16 bits, %s: to rounding what 8 bits have',
  async (transparency) => {
    const { file } = await written({ format: 'png', depth: '16', transparency, first: 5, last: 6 });
    const parts = expected(6, transparency);
    for (const [name, bytes] of Object.entries(unzipSync(readFileSync(file))).filter(([one]) =>
      one.includes('0006'),
    )) {
      const picture = join(folder, 'deep.png');
      writeFileSync(picture, bytes);
      const want = parts[name.includes('/') ? name.split('/')[0]! : '']!;
      let most = 0;
      deepPixels(picture).forEach((value, i) => (most = Math.max(most, Math.abs(value / 257 - want[i]!))));
      // Skia rounds what it lays over a colour in steps of its own.
      expect({ name, most: most < 1.5 }).toEqual({ name, most: true });
    }
  },
);
