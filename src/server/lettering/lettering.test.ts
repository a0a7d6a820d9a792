import { deflateSync } from 'node:zlib';
import { readFileSync } from 'node:fs';
import { compress } from 'wawoff2';
import type { TextSetting } from '@/core/document';
import { commandsBounds, commandsOf } from '@/core/geometry';
import { seeded } from '@/core/testing/families';
import { fontByOpentype } from '@/core/testing/font-outlines';
import { closeConnection } from '../database';
import { freshProject } from '../testing';
import { withBytes } from '../http';
import { LINE_FACES } from '@/contract';
import { addFace, listFaces, removeFace, setLettering, setLines } from '.';
import { readFontFile } from './font-file';
import { loadFace } from './harfbuzz';
import { runsOf } from './runs';
import { SHIPPED_FACES } from './shipped-faces';

afterAll(closeConnection);
beforeAll(freshProject);

const setting = (text: string, id = 'nunito', part: Partial<TextSetting> = {}): TextSetting => ({
  text,
  face: { id, weight: 400 },
  size: 100,
  tracking: 0,
  leading: 1.2,
  align: 'left',
  ...part,
});
const NUNITO = readFileSync('node_modules/@expo-google-fonts/nunito/400Regular/Nunito_400Regular.ttf');

test('every shipped face sets its own sample at every weight it names', async () => {
  expect(SHIPPED_FACES.length).toBeGreaterThanOrEqual(14);
  for (const face of SHIPPED_FACES) {
    for (const weight of Object.keys(face.weights).map(Number)) {
      const set = await setLettering(setting(face.sample, face.id, { face: { id: face.id, weight } }));
      expect([face.id, weight, set.missing]).toEqual([face.id, weight, []]);
      expect(set.glyphs.length).toBeGreaterThan(2);
    }
  }
});

test('outlines are those that opentype.js reads, and advances follow the face', async () => {
  const font = fontByOpentype('nunito/400Regular/Nunito_400Regular.ttf');
  const set = await setLettering(setting('Hno'));
  const letters = [...'Hno'].map((letter) => font.charToGlyph(letter));
  set.glyphs.forEach((glyph, i) => {
    const ours = commandsBounds(commandsOf(set.outlines[glyph.outline]!))!;
    const theirs = letters[i]!.getBoundingBox();
    // Quadratic curves became cubics, whose hull is a little smaller than the one of their points.
    expect(Math.abs(ours.left - theirs.x1)).toBeLessThan(3);
    expect(Math.abs(ours.right - theirs.x2)).toBeLessThan(3);
    expect(Math.abs(-ours.top - theirs.y2)).toBeLessThan(3);
  });
  expect(set.glyphs[1]!.x).toBeCloseTo((letters[0]!.advanceWidth / font.unitsPerEm) * 100, 0);
});

test('kerning, ligatures, tracking, lines and alignment', async () => {
  const at = async (text: string, part: Partial<TextSetting> = {}, id = 'lora') =>
    (await setLettering(setting(text, id, part))).glyphs;
  const kerned = await at('AV');
  const apart = (await at('A'))[0]!;
  const advance = fontByOpentype('lora/400Regular/Lora_400Regular.ttf').charToGlyph('A').advanceWidth / 10;
  expect(kerned[1]!.x - apart.x).toBeLessThan(advance - 1);
  // One glyph stands for f and i together, unless letters are to stand apart.
  const joined = await at('fi', {}, 'eb-garamond');
  const spaced = await at('fi', { tracking: 100 }, 'eb-garamond');
  expect([joined.length, spaced.length]).toEqual([1, 2]);
  const lines = await at('ab\ncd', { leading: 1.5 });
  expect(lines.map((g) => g.y)).toEqual([0, 0, 150, 150]);
  expect(lines.map((g) => g.cluster)).toEqual([0, 1, 3, 4]);
  const [left, centre, right] = await Promise.all(
    (['left', 'centre', 'right'] as const).map(async (align) => (await at('Reed', { align }))[0]!.x),
  );
  expect(left).toBe(0);
  expect(right).toBeCloseTo(2 * centre!, 1);
});

test('Arabic joins and runs from the right, Devanagari reorders, mixed lines keep both directions', async () => {
  const apart = new Set(
    (await Promise.all([...'بحر'].map((l) => setLettering(setting(l, 'amiri'))))).map(
      (s) => s.glyphs[0]!.outline,
    ),
  );
  const joined = await setLettering(setting('بحر', 'amiri'));
  expect(joined.glyphs.some((g) => !apart.has(g.outline))).toBe(true);
  const clusters = joined.glyphs.map((g) => g.cluster);
  expect(clusters).toEqual([...clusters].sort((a, b) => b - a));
  // The vowel sign i stands before the consonant it follows in speech.
  const hindi = await setLettering(setting('कि', 'hind'));
  expect(hindi.glyphs.length).toBe(2);
  expect(runsOf('abc بحر 12').map((r) => [r.rightToLeft, r.script])).toEqual([
    [false, 'Latn'],
    [false, null],
    [true, 'Arab'],
  ]);
  expect(runsOf('بحر abc').map((r) => r.rightToLeft)).toEqual([false, true]);
});

test('letters that a face lacks are named and left out', async () => {
  const set = await setLettering(setting('tide ☃ बाढ़', 'sacramento'));
  expect(set.missing).toContain('☃');
  expect(set.glyphs).toHaveLength(4);
  await expect(setLettering(setting('x', 'no-such-face'))).rejects.toMatchObject({ status: 404 });
  await expect(setLettering(setting('x', `own:${'0'.repeat(64)}`))).rejects.toMatchObject({ status: 404 });
});

/** A font in WOFF 1.0, its tables deflated, as W3C's WOFF File Format 1.0 has it. */
function toWoff(font: Buffer): Buffer {
  const count = font.readUInt16BE(4);
  const head = Buffer.alloc(44 + 20 * count);
  head.write('wOFF', 0, 'latin1');
  font.copy(head, 4, 0, 4);
  head.writeUInt16BE(count, 12);
  let at = head.length;
  const bodies: Buffer[] = [];
  for (let i = 0; i < count; i++) {
    const entry = 12 + 16 * i;
    const [offset, length] = [font.readUInt32BE(entry + 8), font.readUInt32BE(entry + 12)];
    const raw = font.subarray(offset, offset + length);
    const packed = deflateSync(raw);
    const body = packed.length < raw.length ? packed : raw;
    const out = 44 + 20 * i;
    font.copy(head, out, entry, entry + 4);
    head.writeUInt32BE(at, out + 4);
    head.writeUInt32BE(body.length, out + 8);
    head.writeUInt32BE(length, out + 12);
    font.copy(head, out + 16, entry + 4, entry + 8);
    bodies.push(body);
    at += body.length;
  }
  return Buffer.concat([head, ...bodies]);
}

test('a project’s own face: TTF, WOFF and WOFF2 alike, kept with the project, taken out again', async () => {
  const project = await freshProject();
  const files = [NUNITO, toWoff(NUNITO), Buffer.from(await compress(NUNITO))];
  const shapes = await Promise.all(
    files.map(async (file) => {
      const face = await withBytes(file, (upload) => addFace(project, upload, 'given.ttf'));
      expect(face).toMatchObject({ kind: 'own', name: 'Nunito', weights: [400] });
      return (await setLettering(setting('Reed', face.id))).glyphs.map((g) => Math.round(g.x * 10));
    }),
  );
  expect(shapes[1]).toEqual(shapes[0]);
  expect(shapes[2]).toEqual(shapes[0]);
  const own = (await listFaces(project)).filter((face) => face.kind === 'own');
  expect(own).toHaveLength(3);
  await removeFace(project, own[0]!.id.slice(4));
  expect((await listFaces(project)).filter((face) => face.kind === 'own')).toHaveLength(2);
  await expect(removeFace(project, own[0]!.id.slice(4))).rejects.toMatchObject({ status: 404 });
  const none = withBytes(Buffer.from('nothing like a font'), (upload) => addFace(project, upload, 'x'));
  await expect(none).rejects.toMatchObject({ status: 422 });
});

test('a seeded fuzz of fonts: broken ones are refused or shaped, and the process lives', async () => {
  const random = seeded(66);
  const kinds = [NUNITO, toWoff(NUNITO)];
  let [shaped, refused] = [0, 0];
  for (let i = 0; i < 60; i++) {
    const bytes = Buffer.from(kinds[i % 2]!);
    const cut = random() < 0.3 ? bytes.subarray(0, Math.floor(random() * bytes.length)) : bytes;
    // Most damage goes where tables are described.
    for (let k = 0; k < 30; k++) {
      const within = random() < 0.5 ? 400 : cut.length;
      if (cut.length > 0)
        cut[Math.floor(random() * Math.min(within, cut.length))] = Math.floor(random() * 256);
    }
    try {
      const face = await loadFace(await readFontFile(cut));
      for (const g of face.shape('Tide 12', { ligatures: true })) face.outline(g.glyph);
      shaped++;
    } catch (error) {
      expect((error as Error).message).toMatch(/\w/);
      refused++;
    }
  }
  expect(shaped + refused).toBe(60);
  expect(refused).toBeGreaterThan(5);
  // The reader is as good as before.
  expect((await setLettering(setting('Tide'))).glyphs).toHaveLength(4);
});

test('single-line faces give strokes at once', async () => {
  for (const { id } of LINE_FACES) {
    const { letters, missing } = await setLines({
      text: 'Tide\n12 ☃',
      face: id,
      size: 100,
      tracking: 0,
      leading: 1.2,
    });
    expect(letters.map((l) => l.letter).join('')).toBe('Tide12');
    expect(missing).toEqual(['☃']);
    expect(letters.flatMap((l) => l.paths).every((p) => p.points.length > 0)).toBe(true);
  }
});

const widest = (set: Awaited<ReturnType<typeof setLettering>>): number => {
  const rows = new Map<number, { left: number; right: number }>();
  for (const glyph of set.glyphs) {
    const box = commandsBounds(commandsOf(set.outlines[glyph.outline]!));
    if (!box) continue;
    const [left, right] = [glyph.x + box.left * set.scale, glyph.x + box.right * set.scale];
    const row = rows.get(Math.round(glyph.y)) ?? { left, right };
    rows.set(Math.round(glyph.y), { left: Math.min(row.left, left), right: Math.max(row.right, right) });
  }
  return Math.max(0, ...[...rows.values()].map((row) => row.right - row.left));
};

test('text too wide for its room is set smaller or broken between words, whatever the face and the words', async () => {
  const names = [
    'Alma Claman',
    'Brannoch Thistlewaite-Harrowgate of the Upper Marshes',
    'x'.repeat(500),
    Array.from({ length: 100 }, (_, i) => 'name'.slice(0, 1 + (i % 4))).join(' '),
    'مد البحر والجزر',
    'Tide مد Keeper',
    '🦀 Crab',
    '',
    '   ',
  ];
  for (const id of ['barlow-condensed', 'lora', 'sacramento', 'cairo']) {
    for (const text of names) {
      for (const how of ['shrink', 'break'] as const) {
        const fit = { width: 640, how };
        const set = await setLettering(setting(text, id, { fit, tracking: 40 }));
        const fitted = set.fitted!;
        // Ink may stick out of its own advance by a little: a flourish, a slanted f.
        const room = fitted.over ? Infinity : 640 + fitted.size * 0.35;
        expect([id, text.slice(0, 20), how, widest(set) <= room]).toEqual([id, text.slice(0, 20), how, true]);
        if (how === 'shrink') {
          expect(fitted.over).toBe(false);
          expect(fitted.size).toBeLessThanOrEqual(100);
        } else expect(fitted.size).toBe(100);
      }
    }
  }
  // What fits stays as it is; one long word is told.
  const plain = await setLettering(setting('Alma', 'lora'));
  const roomy = await setLettering(setting('Alma', 'lora', { fit: { width: 900, how: 'shrink' } }));
  expect(roomy.glyphs).toEqual(plain.glyphs);
  expect(
    (await setLettering(setting('x'.repeat(80), 'lora', { fit: { width: 640, how: 'break' } }))).fitted!.over,
  ).toBe(true);
  const broken = await setLettering(
    setting('one two three four', 'lora', { fit: { width: 400, how: 'break' } }),
  );
  expect(broken.fitted!.lines.map((at) => 'one two three four'.slice(at).split(' ')[0])).toEqual([
    'one',
    'three',
    'four',
  ]);
});

test('capitals are as high as the face says, and digits stand as far apart as the widest', async () => {
  const set = await setLettering(setting('# m', 'barlow-condensed'));
  const font = fontByOpentype('barlow-condensed/400Regular/BarlowCondensed_400Regular.ttf');
  // OpenType, OS/2 table: sCapHeight.
  expect(set.capitals).toBeCloseTo((font.tables['os2']!.sCapHeight! / font.unitsPerEm) * 100, 0);
  const advances = [...'0123456789'].map((d) => (font.charToGlyph(d).advanceWidth / font.unitsPerEm) * 100);
  for (const digit of '0123456789') expect(set.digits!.advances[digit]).toBeCloseTo(Math.max(...advances), 1);
  expect(set.digits!.x).toBe(0);
  expect((await setLettering(setting('m', 'lora'))).digits).toBeUndefined();
});
