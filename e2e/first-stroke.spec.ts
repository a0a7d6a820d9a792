import { expect, test } from './test';
import { execFileSync } from 'node:child_process';
import { Desk } from './desk';

test('from the project list to an alpha video: a new piece, a drawn line, a soft landing, and the file', async ({
  page,
}) => {
  await page.goto('/');
  const sample = page.getByRole('region', { name: 'Saltmarsh Almanac' });
  await expect(sample.locator('img')).toHaveCount(9);
  await expect(sample.locator('img').first()).toHaveJSProperty('complete', true);

  await sample.getByRole('button', { name: 'New piece' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Underline');
  await page.getByRole('button', { name: 'Create' }).click();
  await expect(page).toHaveURL(/\/pieces\//);
  const desk = new Desk(page, page.url().split('/').pop()!, '');
  await expect(desk.canvas).toHaveAttribute('data-frame', '0');

  await desk.score.getByRole('button', { name: 'Draw with the pen' }).click();
  await desk.click(400, 600);
  await desk.drag([900, 560], [1100, 560]);
  await desk.click(1500, 620);
  await page.keyboard.press('Enter');
  await expect(desk.lane(0)).toHaveAccessibleName('1 Stroke 1');

  await desk.step('Time');
  await page.getByRole('button', { name: 'Apply', exact: true }).click();
  const { layers } = await desk.savedDocument();
  expect(layers).toHaveLength(1);
  expect(layers[0]!.path.points.map((p) => p.kind)).toEqual(['corner', 'smooth', 'corner']);
  expect(layers[0]!.path.points[0]!.x).toBeCloseTo(400, -1);
  expect(layers[0]!.window).toMatchObject({
    head: { keys: [{ value: 0 }, { value: 1 }] },
    tail: { keys: [{ value: 0 }, { value: 1 }] },
  });

  // Close the tab, come back: it is there.
  await desk.open();
  await expect(desk.lane(0)).toHaveAccessibleName('1 Stroke 1');

  await page.getByRole('button', { name: 'Export' }).click();
  await page.getByRole('radio', { name: '½×' }).click();
  await page.getByRole('button', { name: 'Start export' }).click();
  const done = page.locator('li[data-status="done"]');
  await expect(done).toBeVisible({ timeout: 40_000 });
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    done.getByRole('link', { name: 'Download' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('Underline 0.5x.webm');
  const file = await download.path();
  const { streams } = JSON.parse(
    execFileSync('ffprobe', [
      '-v',
      'error',
      '-count_frames',
      '-show_streams',
      '-of',
      'json',
      file,
    ]).toString(),
  );
  expect(streams[0]).toMatchObject({
    codec_name: 'vp9',
    width: 960,
    height: 540,
    nb_read_frames: '100',
    tags: { alpha_mode: '1' },
  });
});

test('Chromium as an independent player sees the transparency of an exported title', async ({ page }) => {
  await page.goto('/');
  const ids = await page.evaluate(async () => {
    const { projects } = await (await fetch('/api/projects')).json();
    const piece = projects
      .flatMap((p: { pieces: { name: string; id: string }[] }) => p.pieces)
      .find((p: { name: string }) => p.name === 'Lower third');
    const asked = await fetch(`/api/pieces/${piece.id}/exports`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ settings: { format: 'webm', scale: 0.5, first: 50, last: 60 } }),
    });
    return (await asked.json()).id as string;
  });
  await expect
    .poll(() => page.evaluate(async (id) => (await (await fetch(`/api/exports/${id}`)).json()).status, ids), {
      timeout: 240_000,
    })
    .toBe('done');
  const seen = await page.evaluate(async (id) => {
    const blob = await (await fetch(`/api/exports/${id}/file`)).blob();
    const video = document.createElement('video');
    video.muted = true;
    video.src = URL.createObjectURL(blob);
    await new Promise((resolve, reject) => {
      video.onseeked = resolve;
      video.onloadeddata = () => (video.currentTime = 0.2);
      video.onerror = () => reject(new Error('not playable'));
    });
    const canvas = new OffscreenCanvas(video.videoWidth, video.videoHeight);
    const context = canvas.getContext('2d')!;
    const at = (x: number, y: number) => [...context.getImageData(x, y, 1, 1).data];
    // A frame that was sought is there a little later where the machine is busy.
    for (let tries = 0; tries < 50 && at(300, 445)[3] === 0; tries++) {
      await new Promise((done) => setTimeout(done, 100));
      context.clearRect(0, 0, canvas.width, canvas.height);
      context.drawImage(video, 0, 0);
    }
    return { size: [canvas.width, canvas.height], rule: at(300, 445), empty: at(700, 100) };
  }, ids);
  expect(seen.size).toEqual([960, 540]);
  expect(seen.empty[3]).toBeLessThanOrEqual(2);
  expect(seen.rule[3]).toBeGreaterThan(250);
  // #ff6b3d through lossy colour.
  [255, 107, 61].forEach((value, i) => expect(Math.abs(seen.rule[i]! - value)).toBeLessThan(24));
});

test('projects and pieces: rename, duplicate, delete with undo', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New project' }).click();
  // It comes in sight with its name to be typed, and leads on to its first piece.
  const fresh = page.getByRole('region', { name: 'New project' }).getByLabel('Name of the project');
  await expect(fresh).toBeFocused();
  await expect(fresh).toBeInViewport();
  await page.keyboard.type('Tide tables');
  await page.keyboard.press('Enter');
  const project = page.getByRole('region', { name: 'Tide tables' });
  await expect(project).toBeVisible();
  await expect(project.getByRole('button', { name: 'New piece' })).toBeFocused();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Create' }).click();
  await expect(page.locator('[data-canvas]')).toBeVisible();
  await page.getByRole('link', { name: 'All projects' }).click();
  await project.getByRole('button', { name: 'More about Untitled' }).click();
  await page.getByRole('menuitem', { name: 'Duplicate' }).click();
  await expect(project.locator('[data-piece]')).toHaveCount(2);
  await project.getByRole('button', { name: 'More about Untitled 2' }).click();
  await page.getByRole('menuitem', { name: 'Delete' }).click();
  await expect(project.locator('[data-piece]')).toHaveCount(1);
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect(project.locator('[data-piece]')).toHaveCount(2);
  await page.getByRole('button', { name: 'More about Tide tables' }).click();
  await page.getByRole('menuitem', { name: 'Delete project' }).click();
  await expect(project).toHaveCount(0);
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).first().click();
  await expect(project.locator('[data-piece]')).toHaveCount(2);
});

test('six presses and a word: it writes itself and is downloaded', async ({ page }) => {
  test.setTimeout(90_000);
  await page.goto('/');
  const sample = page.getByRole('region', { name: 'Saltmarsh Almanac' });
  await sample.getByRole('button', { name: 'New piece' }).click();
  await page.getByRole('button', { name: 'Create' }).click();
  await expect(page.getByLabel('Word to write')).toBeFocused();
  await page.keyboard.type('Ebb');
  await page.keyboard.press('Enter');
  // It plays by itself as soon as it is written.
  await expect(page.getByRole('button', { name: 'Stop', exact: true })).toBeVisible();
  // The first word waits for all that finds strokes to be started, which takes long where exports are made beside it.
  await expect(page.getByRole('row', { name: /^1 E/ })).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Export' }).click();
  await page.getByRole('button', { name: 'Start export' }).click();
  await expect(page.locator('li[data-status="queued"], li[data-status="running"]')).toBeVisible();
  // Wherever one is by then, its end is said, and there the file is.
  await page.goto('/');
  const said = page.getByRole('status').filter({ hasText: 'Untitled.webm is ready.' });
  await expect(said).toBeVisible({ timeout: 50_000 });
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    said.getByRole('button', { name: 'Download' }).click(),
  ]);
  // Nothing is there at first; at the end all of the word is.
  const alpha = (frame: number) =>
    execFileSync('ffmpeg', [
      ...['-v', 'error', '-c:v', 'libvpx-vp9', '-i', `${file}`],
      ...['-vf', `select=eq(n\\,${frame}),alphaextract,scale=96:54:flags=area`, '-frames:v', '1'],
      ...['-f', 'rawvideo', '-pix_fmt', 'gray', '-'],
    ]);
  const file = await download.path();
  expect(Math.max(...alpha(0))).toBeLessThan(8);
  expect(alpha(99).filter((v) => v > 60).length).toBeGreaterThan(60);
});
