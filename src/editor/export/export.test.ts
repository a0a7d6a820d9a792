import {
  EXPORT_FORMATS,
  exportSettingsSchema,
  FORMAT_IDS,
  isSentTo,
  notCarried,
  presetSchema,
  RECEIVER_IDS,
  wholeSettings,
  type ExportSettings,
  type ExportSummary,
} from '@/contract';
import { openingTitle } from '../../../demo/opening-title';
import { highWater } from '../../../demo/high-water';
import { lowerThird } from '../../../demo/lower-third';
import { addLayers, applyManner, newPiece, newStroke, type Piece } from '@/core/document';
import { corner } from '@/core/geometry';
import { expectedSize } from './expected-size';
import { askedFor, changedAsked, presetOf, settingsFor, type Asked } from './use-asked';

const FRESH: Asked = {
  ...{ format: 'webm', scale: 1, transparency: 'straight', quality: 'high', first: 0, last: Infinity },
  ...{ receiver: 'page', range: 'all', frame: 30 },
};
const line = (name: string): Piece =>
  addLayers(newPiece(name, { width: 321, height: 180 }, { numerator: 60, denominator: 1 }, 50), [
    newStroke('a', 'Reed', { closed: false, points: [corner(10, 10), corner(300, 150)] }),
  ]);
const losses = (piece: Piece, asked: Partial<ExportSettings> & Pick<ExportSettings, 'format'>) =>
  notCarried(piece, wholeSettings({ scale: 1, first: 0, last: 0, ...asked }));

test.each(RECEIVER_IDS)('what is sent to %s is what a server takes, and stays its own once chosen', (id) => {
  // From anywhere else, whatever was set there.
  for (const from of [FRESH, ...RECEIVER_IDS.map((other) => askedFor(FRESH, other, '#15604e'))]) {
    for (const over of [null, '#000000', '#15604e']) {
      const asked = askedFor(from, id, over);
      expect(asked.receiver).toBe(id);
      const settings = settingsFor(asked, 100);
      expect(exportSettingsSchema.safeParse(settings).error).toBeUndefined();
      expect(isSentTo(id, wholeSettings(settings))).toBe(true);
    }
  }
});

test('changed by hand it is nobody’s, but for what that place leaves open', () => {
  const social = askedFor(FRESH, 'social', '#15604e');
  expect(social.over).toBe('#15604e');
  expect(changedAsked(social, { over: '#000000', scale: 0.5 }).receiver).toBe('social');
  expect(changedAsked(social, { quality: 'small' }).receiver).toBeNull();
  expect(changedAsked(social, { format: 'gif' })).toMatchObject({ receiver: null, transparency: 'over' });
  expect(changedAsked(FRESH, { format: 'mp4' }).transparency).toBe('over');
});

test('frames are held to the piece: all of it, a part, one, or none', () => {
  expect(settingsFor(FRESH, 100)).toMatchObject({ first: 0, last: 99 });
  expect(settingsFor({ ...FRESH, range: 'part', first: 20, last: 500 }, 100)).toMatchObject({
    first: 20,
    last: 99,
  });
  expect(settingsFor({ ...FRESH, range: 'part', first: 200, last: 300 }, 100)).toMatchObject({
    first: 99,
    last: 99,
  });
  expect(settingsFor({ ...FRESH, format: 'still-png' }, 20)).toMatchObject({ first: 19, last: 19 });
  expect(settingsFor({ ...FRESH, format: 'lottie', scale: 0.25 }, 20)).toMatchObject({ scale: 1 });
});

test('what a file will not hold is named with its layers, and nothing else is', () => {
  const plain = line('Plain');
  expect(losses(plain, { format: 'webm' })).toEqual([]);
  expect(losses(plain, { format: 'lottie' })).toEqual([]);
  expect(losses(plain, { format: 'mp4' }).map(({ what }) => what)).toEqual([
    'There is no transparency: #000000 lies beneath.',
    'H.264 takes even sizes: a row or column of the background makes it 322 × 180.',
  ]);
  expect(losses(plain, { format: 'gif' }).map(({ what }) => what)).toEqual([
    expect.stringMatching(/^Edges are laid over #000000/),
    'GIF holds 50 frames a second at most: every second frame leaves, 30 a second.',
  ]);
  const soft = (piece: Piece) => losses(piece, { format: 'lottie' }).find(({ what }) => /^Glows/.test(what));
  expect(soft(lowerThird())?.layers).toEqual(['Alma Claman', 'Tide keeper, Skerrow Mouth', 'Comet line']);
  // Ink that melts is soft too.
  expect(soft(highWater())?.layers.length).toBeGreaterThan(0);
  // Strokes that only uncover others are what takes room.
  const baked = losses(openingTitle(), { format: 'svg' }).find(({ what }) => /^Drawn anew/.test(what));
  expect(baked?.layers.length).toBeGreaterThan(10);
  expect(losses(openingTitle(), { format: 'still-svg', first: 60, last: 60 })).toEqual([]);
});

test('that nothing is inked in what leaves is said', () => {
  const piece = applyManner(line('Late'), ['a'], { kind: 'on', from: 'start', onAt: 20, onFrames: 10 });
  const said = (first: number, last: number, format: ExportSettings['format'] = 'png') =>
    losses(piece, { format, first, last }).map(({ what }) => what);
  expect(said(0, 19)).toEqual(['Nothing is inked in these frames.']);
  expect(said(5, 5, 'still-png')).toEqual(['Nothing is inked at frame 5.']);
  expect(said(0, 49)).toEqual([]);
  expect(said(0, 19, 'cues-csv')).toEqual([]);
});

test('a size is told by the last file like it, in proportion; else by what the samples took', () => {
  const piece = { ...line('Size'), size: { width: 1000, height: 1000 } };
  const settings = wholeSettings({ format: 'apng', scale: 1, first: 0, last: 49 });
  // 50 million pixels at 0.04 to 0.28 bits.
  expect(EXPORT_FORMATS.apng.bits).toEqual([0.04, 0.28]);
  expect(expectedSize(piece, settings, [])).toBe('about 250 kB to 1.8 MB');
  const last = {
    bytes: 100_000,
    framesTotal: 25,
    settings: { ...settings, scale: 0.5, last: 24 },
  } as ExportSummary;
  expect(expectedSize(piece, settings, [last])).toBe('about 800 kB, by the last one');
  expect(expectedSize(piece, wholeSettings({ ...settings, format: 'gif' }), [last])).not.toMatch(/last one/);
  // Vectors are as large at every size.
  for (const format of FORMAT_IDS.filter((id) => 'vector' in EXPORT_FORMATS[id])) {
    const at = (scale: 0.5 | 2) =>
      expectedSize(
        piece,
        wholeSettings({ ...settings, format, transparency: 'straight', scale, last: 0 }),
        [],
      );
    expect(at(0.5)).toBe(at(2));
  }
});

test('a preset keeps how a file is made and where it goes, and nothing of the frames of one piece', () => {
  const asked = {
    ...{ receiver: 'editing', format: 'prores', scale: 0.5, transparency: 'straight', over: undefined },
    ...{ first: 3, last: 40, number: 86, range: 'part', frame: 12 },
  } as unknown as Parameters<typeof presetOf>[0];
  const preset = presetOf(asked);
  expect(preset).toEqual({ receiver: 'editing', format: 'prores', scale: 0.5, transparency: 'straight' });
  expect(presetSchema.parse(JSON.parse(JSON.stringify(preset)))).toEqual(preset);
  // What belongs to one piece, or to no format, is no preset.
  for (const more of [{ first: 0 }, { frame: 3 }, { scale: 3 }, { format: 'film' }, { receiver: 'nobody' }])
    expect([more, presetSchema.safeParse({ ...preset, ...more }).success]).toEqual([more, false]);
});
