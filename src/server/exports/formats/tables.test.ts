import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Papa from 'papaparse';
import { openingTitle } from '../../../../demo/opening-title';
import { wholeSettings, type FormatId } from '@/contract';
import { strokesOf, type Piece } from '@/core/document';
import { smallPiece } from '../../testing';
import { WRITE } from '.';

const folder = mkdtempSync(join(tmpdir(), 'obelus-tables-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

async function text(format: FormatId, piece: Piece): Promise<string> {
  const file = join(folder, format);
  const settings = wholeSettings({ format, scale: 1, first: 0, last: 0 });
  await WRITE[format]({ piece, settings, stem: 'piece', file, progress: () => true });
  return readFileSync(file, 'utf8');
}
const rows = async (format: FormatId, piece: Piece) =>
  Papa.parse<Record<string, string>>(await text(format, piece), { header: true, skipEmptyLines: true }).data;

test('every key leaves with its layer, part, time, value and easing, in the words and units of the interface', async () => {
  const piece = smallPiece('Reed');
  const all = await rows('keys-csv', piece);
  expect(all).toHaveLength(8);
  expect(all.slice(0, 2)).toEqual([
    {
      layer: 'Curve',
      part: 'Head',
      frame: '1',
      timecode: '00:00:00:01',
      value: '0',
      unit: '%',
      easing: expect.stringMatching(/^cubic-bezier|linear/),
    },
    expect.objectContaining({ layer: 'Curve', part: 'Head', frame: '6', value: '100', unit: '%' }),
  ]);
  const { keys, ...facts } = JSON.parse(await text('keys-json', piece));
  expect(facts).toEqual({ piece: 'Reed', width: 320, height: 180, framesPerSecond: '25', length: 12 });
  expect(
    keys.map((key: Record<string, unknown>) => ({
      ...key,
      frame: String(key.frame),
      value: String(key.value),
    })),
  ).toEqual(all);
});

test('a cue sheet is in the order of time, and holds every stroke that is written and every marker', async () => {
  const own = openingTitle();
  const title = { ...own, markers: [{ frame: 3, name: 'Bell' }, ...own.markers] };
  const all = await rows('cues-csv', title);
  const frames = all.map(({ frame }) => Number(frame));
  expect(frames).toEqual([...frames].sort((a, b) => a - b));
  expect(all.filter(({ what }) => what === 'marker').map(({ name }) => name)).toEqual(
    [...title.markers].sort((a, b) => a.frame - b.frame).map(({ name }) => name),
  );
  expect(all.filter(({ what }) => what === 'stroke')).toHaveLength(strokesOf(title).length);
});

test('names that a sheet would reckon with stay words; commas, quotes and lines come back as they were (RFC 4180)', async () => {
  const names = ['=1+1', '@home', 'a,b "c"', 'two\nlines'];
  for (const name of names) {
    const own = smallPiece();
    const piece = { ...own, layers: own.layers.map((layer, i) => (i === 0 ? { ...layer, name } : layer)) };
    const csv = await text('keys-csv', piece);
    expect(csv).not.toMatch(/^[=@]/m);
    const [first] = await rows('keys-csv', piece);
    expect(first!.layer!.replace(/^'/, '')).toBe(strokesOf(piece)[0]!.name);
  }
});
