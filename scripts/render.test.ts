import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { strToU8, zipSync } from 'fflate';
import { lowerThird } from '../demo/lower-third';
import { openingTitle } from '../demo/opening-title';
import { lettersOf, strokesOf, type Piece } from '../src/core/document';
import { filledPiece } from '../src/server/filled-piece';

const folder = mkdtempSync(join(tmpdir(), 'obelus-render-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** Runs the command as a person does; what it says and how it ends. */
function render(...args: string[]) {
  const run = spawnSync(process.execPath, ['scripts/plain.mjs', 'scripts/render.ts', ...args], {
    encoding: 'utf8',
    env: { ...process.env, INIT_CWD: folder },
  });
  return { code: run.status, said: run.stdout.trim(), wrong: run.stderr.trim() };
}

const named = lettersOf(lowerThird())[0]!;
/** The lower third with a field for its name. */
const third: Piece = { ...lowerThird(), fields: [{ name: 'Name', kind: 'text', of: [named.id] }] };
const file = join(folder, 'third.json');
writeFileSync(file, JSON.stringify(third));

test('a piece is made into a file from the command line, with a field filled; what it is comes from where it goes', () => {
  const done = render(
    file,
    '--for',
    'editing',
    '--scale',
    '0.25',
    '--frames',
    '40-44',
    '--set',
    'name=Ulla Merrow',
    '--out',
    'ulla.mov',
  );
  expect(done).toEqual({ code: 0, said: 'ulla.mov', wrong: '' });
  const probe = [
    '-v',
    'error',
    '-count_frames',
    '-show_entries',
    'stream=codec_name,width,nb_read_frames',
    '-of',
    'csv=p=0',
  ];
  expect(
    execFileSync('ffprobe', [...probe, join(folder, 'ulla.mov')])
      .toString()
      .trim(),
  ).toBe('prores,480,5');
});

test('a project file is read too, piece by name; faults are said in words and end with 1', () => {
  const project = join(folder, 'two.obelus');
  const id = (n: number) => `00000000-0000-4000-8000-00000000000${n}`;
  const manifest = {
    obelus: 'project file',
    version: 1,
    name: 'Two',
    pieces: [id(1), id(2)],
    shelf: [],
    files: [],
  };
  writeFileSync(
    project,
    zipSync({
      'project.json': strToU8(JSON.stringify(manifest)),
      'pieces/1.json': strToU8(JSON.stringify(third)),
      'pieces/2.json': strToU8(JSON.stringify(openingTitle())),
    }),
  );
  expect(render(project, '--piece', 'Opening title', '--format', 'cues-csv').said).toBe(
    'Opening title cues.csv',
  );
  expect(readFileSync(join(folder, 'Opening title cues.csv'), 'utf8')).toMatch(/^what,name,frame/);
  for (const [args, words] of [
    [[project, '--piece', 'Nobody'], /holds “Lower third”, “Opening title”/],
    [[file, '--set', 'role=x'], /no field “role”; it has “Name”/],
    [[file, '--format', 'mp4', '--transparency', 'straight'], /can’t be “alpha, straight” in MP4/],
    [[file, '--scale', '3'], /scale must be 0\.25, 0\.5, 1 or 2/],
    [[file, '--format', 'webm', '--depth', '16'], /can’t be 16 bits in WebM/],
    [[file, project], /One file at a time/],
    [['nowhere.json'], /nowhere\.json is not there/],
    [[file, '--out', 'no/where.webm'], /There is no folder no/],
  ] as const) {
    const { code, wrong } = render(...args);
    expect(wrong).toMatch(words);
    expect(code).toBe(1);
  }
});

test('a text that writes itself is written anew by its strokes when its field is filled', async () => {
  const title = openingTitle();
  const word = lettersOf(title).find((text) => text.written !== undefined)!;
  const piece: Piece = { ...title, fields: [{ name: 'Title', kind: 'text', of: [word.id] }] };
  const made = await filledPiece(piece, { title: 'Reedbed' });
  expect(lettersOf(made).find(({ id }) => id === word.id)).toMatchObject({
    setting: { text: 'Reedbed' },
    written: { text: 'Reedbed' },
  });
  const own = (of: Piece) => strokesOf(of).filter((stroke) => stroke.traced?.from === word.id);
  expect(own(made).length).toBeGreaterThan(2);
  expect(own(made).map((stroke) => stroke.path)).not.toEqual(own(piece).map((stroke) => stroke.path));
});
