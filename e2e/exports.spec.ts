import { expect, test, type Locator, type Page } from './test';
import { spawnSync } from 'node:child_process';
import { readFileSync, statSync, writeFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { strFromU8, unzipSync } from 'fflate';
import { ON_NAME, api, openNew } from './desk';
import { three } from './pieces';

/** Opens the dialog, by its button. */
async function exportDialog(page: Page): Promise<Locator> {
  await page.getByRole('button', { name: 'Export', exact: true }).click();
  return page.getByRole('dialog', { name: 'Export' });
}

/** Chooses from a list by keyboard: it opens under the arrow, and goes to what is typed. */
async function choose(page: Page, list: Locator, typed: string): Promise<void> {
  await list.focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type(typed);
  await page.keyboard.press('Enter');
}

/** Downloads the newest export once it is done. */
async function downloaded(page: Page, dialog: Locator): Promise<{ name: string; path: string }> {
  const newest = dialog.getByRole('listitem').and(page.locator('[data-status]')).first();
  await expect(newest).toHaveAttribute('data-status', 'done', { timeout: 40_000 });
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    newest.getByRole('link', { name: 'Download' }).click(),
  ]);
  return { name: download.suggestedFilename(), path: await download.path() };
}

test('the dialog asks where a file goes and sends what that place takes; what it will not hold is said before', async ({
  page,
}) => {
  await openNew(page, three('Reed line'));
  const dialog = await exportDialog(page);
  const place = dialog.getByRole('button', { name: /Where it goes/ });
  await expect(place).toContainText('A web page');

  // An editing program that drops transparency: fill and matte, two films in one archive. By keyboard alone.
  await choose(page, place, 'An editing program that drops');
  await expect(dialog.getByRole('button', { name: /Format/ })).toContainText('MOV, ProRes');
  await expect(dialog.getByRole('button', { name: /Transparency/ })).toContainText('fill and matte');
  await expect(dialog.getByText(/luminance matte of the first/)).toBeVisible();
  await dialog.getByRole('radio', { name: '¼×' }).click();
  await expect(dialog.getByText(/480 × 270 · 100 frames · 4 s .* about/)).toBeVisible();
  await dialog.getByRole('button', { name: 'Start export' }).click();
  const pair = await downloaded(page, dialog);
  expect(pair.name).toBe('Reed line 0.25x.zip');
  expect(Object.keys(unzipSync(readFileSync(pair.path)))).toEqual([
    'Reed line fill.mov',
    'Reed line matte.mov',
  ]);
  await expect(dialog.getByText(/about .*, by the last one/)).toBeVisible();

  // What two places are sent may be the same: the one that was chosen is named.
  await choose(page, place, 'Chat');
  await expect(place).toContainText('Chat and social');

  // A message: GIF says what becomes of edges; another format by hand is nobody's usual one.
  await choose(page, place, 'A message');
  await expect(dialog.getByRole('list', { name: 'What the file will not hold' })).toContainText(
    'Edges are laid over #000000',
  );
  await choose(page, dialog.getByRole('button', { name: /Format/ }), 'APNG');
  await expect(place).toContainText('somewhere else');
  await expect(dialog.getByRole('list', { name: 'What the file will not hold' })).toHaveCount(0);

  // What was asked last is asked again next time, but for the frames.
  await page.reload();
  await expect(page.locator('[data-canvas]')).toHaveAttribute('data-frame', /\d/);
  const again = await exportDialog(page);
  await expect(again.getByRole('button', { name: /Format/ })).toContainText('APNG');
  await expect(again.getByRole('radio', { name: '¼×' })).toBeChecked();
});

test('what is asked for again and again is kept under a name, for all pieces of the project', async ({
  page,
}) => {
  const desk = await openNew(page, three('Presets'));
  const dialog = await exportDialog(page);
  await choose(page, dialog.getByRole('button', { name: /Where it goes/ }), 'A message');
  await dialog.getByRole('radio', { name: '½×' }).click();
  await dialog.getByRole('button', { name: 'Keep what is set as a preset' }).click();
  await dialog.getByRole('textbox', { name: 'Name of the preset' }).fill('For the newsletter');
  await page.keyboard.press('Enter');
  const preset = dialog.getByRole('button', { name: /Preset$/ });
  await expect(
    dialog.getByRole('button', { name: 'Remove For the newsletter from the shelf' }),
  ).toBeFocused();
  await expect(preset).toContainText('For the newsletter');
  // Another choice is none of the kept ones; the kept one brings everything back.
  await choose(page, dialog.getByRole('button', { name: /Where it goes/ }), 'A web page, as vectors');
  await expect(preset).toContainText('none of the kept ones');
  await dialog.getByRole('radio', { name: 'stop and tell me' }).click();
  await expect(dialog.getByRole('button', { name: /Where it goes/ })).toContainText('as vectors');
  await choose(page, preset, 'For the newsletter');
  await expect(dialog.getByRole('button', { name: /Where it goes/ })).toContainText('A message');
  await expect(dialog.getByRole('radio', { name: '½×' })).toBeChecked();
  // It lies on the project's shelf, and is taken off it here.
  const shelf = await api<{ items: { name: string; kind: string }[] }>(
    page,
    'GET',
    `/api/projects/${desk.projectId}/shelf`,
  );
  expect(shelf.items).toMatchObject([{ name: 'For the newsletter', kind: 'preset' }]);
  await dialog.getByRole('button', { name: 'Remove For the newsletter from the shelf' }).click();
  await expect(preset).toContainText('none kept yet');
});

test('a still is of the frame that is shown; vectors play; a cue sheet has every stroke', async ({
  page,
}) => {
  const desk = await openNew(page, three('Reed'));
  await desk.showFrame(40);
  const dialog = await exportDialog(page);
  await choose(page, dialog.getByRole('button', { name: /Where it goes/ }), 'A poster');
  await expect(dialog.getByLabel('Frame', { exact: true })).toHaveValue('frame 40');
  await dialog.getByRole('button', { name: 'Start export' }).click();
  expect((await downloaded(page, dialog)).name).toBe('Reed 40.png');

  await choose(page, dialog.getByRole('button', { name: /Where it goes/ }), 'A web page, as vectors');
  await dialog.getByRole('button', { name: 'Start export' }).click();
  await expect(dialog.locator('li[data-status]')).toHaveCount(2);
  const svg = await downloaded(page, dialog);
  expect(svg.name).toBe('Reed.svg');
  const text = readFileSync(svg.path, 'utf8');
  expect(text).toContain('stroke-dasharray');
  expect(text).not.toMatch(/<script|\son\w+=/);

  await choose(page, dialog.getByRole('button', { name: /Where it goes/ }), 'Somebody who cuts');
  await expect(dialog.getByRole('radio', { name: '1×' })).toHaveCount(0);
  await dialog.getByRole('button', { name: 'Start export' }).click();
  await expect(dialog.locator('li[data-status]')).toHaveCount(3);
  const cues = await downloaded(page, dialog);
  expect(cues.name).toBe('Reed cues.csv');
  expect(readFileSync(cues.path, 'utf8').trim().split('\r\n')).toEqual([
    'what,name,frame,timecode,lastFrame,lastTimecode',
    'stroke,Curve,10,00:00:00:10,30,00:00:01:05',
    'stroke,Bar,10,00:00:00:10,30,00:00:01:05',
  ]);

  // Saved again since, an export says of which revision it is.
  await page.keyboard.press('Escape');
  await desk.lane(2).getByRole('rowheader').click(ON_NAME);
  await page.keyboard.press('Delete');
  await desk.saved();
  await exportDialog(page);
  await expect(dialog.getByText(/Cue sheet · made from revision 1, now 2/)).toBeVisible();
});

test('a project is saved as a file and opened again beside itself; a damaged file is refused in words', async ({
  page,
}) => {
  const { id } = await api<{ id: string }>(page, 'POST', '/api/projects', { name: 'Eel papers' });
  await api(page, 'POST', `/api/projects/${id}/pieces`, { document: three('Leaving reed') });
  await page.goto('/');
  const project = page.getByRole('region', { name: 'Eel papers' });
  await project.getByRole('button', { name: 'More about Eel papers' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'Save as a file' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('Eel papers.obelus');
  const path = await download.path();
  expect(JSON.parse(strFromU8(unzipSync(readFileSync(path))['project.json']!))).toMatchObject({
    name: 'Eel papers',
  });

  const open = async (file: string) => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Open a file …' }).click(),
    ]);
    await chooser.setFiles(file);
  };
  await open(path);
  await expect(page.getByRole('status')).toContainText('is open: 1 piece');
  await expect(page.getByRole('region', { name: 'Eel papers' })).toHaveCount(2);

  const broken = test.info().outputPath('half.obelus');
  writeFileSync(broken, readFileSync(path).subarray(0, 200));
  await open(broken);
  await expect(page.getByRole('status').first()).toContainText('only a part of one. Nothing was changed');
  await expect(page.getByRole('region', { name: 'Eel papers' })).toHaveCount(2);
});

test('the example for programs in the docs fills fields and fetches its file', async ({ baseURL }, info) => {
  const docs = readFileSync(resolve(import.meta.dirname, '../docs/http.md'), 'utf8');
  const [, example] = /```sh\n([\s\S]*?)```/.exec(docs)!;
  const folder = info.outputPath();
  const done = spawnSync('bash', ['--norc', '-euo', 'pipefail', '-c', example!], {
    cwd: folder,
    env: { ...process.env, OBELUS: baseURL! },
    encoding: 'utf8',
  });
  expect(done).toMatchObject({ status: 0, stderr: '' });
  expect(done.stdout).toContain('"What they do"');
  const film = resolve(folder, 'lower-third.mov');
  expect(statSync(film).size).toBeGreaterThan(1000);
  const probed = spawnSync('ffprobe', [
    ...['-v', 'error', '-count_packets', '-show_entries', 'stream=codec_name,width,nb_read_packets'],
    ...['-of', 'csv=p=0', film],
  ]);
  expect(probed.stdout.toString().trim()).toBe('prores,960,11');
});
