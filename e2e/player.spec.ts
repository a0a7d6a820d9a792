import { expect, test, type Page } from './test';
import { createCanvas, loadImage } from '@napi-rs/canvas';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { SAMPLE_PROJECT } from '../demo';
import type { Piece } from '../src/core/document';
import { paint } from '../src/core/paint';
import { evaluate, posterFrame } from '../src/core/scene';
import { filledPiece } from '../src/server/filled-piece';
import { pageOf, playerScript, reelOf } from '../src/server/player';
import { someOf } from '../src/core/testing/cases';
import { FEATURES, pieceWith } from '../src/core/testing/feature-pieces';
import { three } from './pieces';
import { hashOf } from './pixels';

/** As much of the element as these tests use. */
interface Player extends HTMLElement {
  frame: number;
  currentTime: number;
  loop: boolean;
  readonly duration: number;
  readonly paused: boolean;
  readonly ended: boolean;
  readonly readyState: number;
  playbackRate: number;
  src: string;
  play(): Promise<void>;
  pause(): void;
}

/** Pages by their paths, on a server of their own: another origin than Obelus. */
const pages = new Map<string, { readonly type: string; readonly text: string }>();
let server: Server;
let origin: string;
test.beforeAll(async () => {
  server = createServer((request, response) => {
    const page = pages.get(request.url ?? '');
    response.writeHead(page ? 200 : 404, { 'Content-Type': page?.type ?? 'text/plain' });
    response.end(page?.text ?? 'nothing');
  });
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
test.afterAll(() => void server.close());

/** Opens the page of a piece, its element of a width in px of CSS; it stands still. */
async function openPage(page: Page, piece: Piece, width: number, attributes = ''): Promise<void> {
  const html = (await pageOf({ reel: await reelOf(piece, 0, piece.length - 1, null), plays: 'again' }))
    .replace(
      '<obelus-piece autoplay controls loop>',
      `<obelus-piece style="width: ${width}px" ${attributes}>`,
    )
    .replace('display: grid; place-items: center;', '');
  const path = `/${Math.random()}.html`;
  pages.set(path, { type: 'text/html', text: html });
  await page.goto(origin + path);
  await page.waitForFunction(() => Number(document.querySelector<Player>('obelus-piece')?.duration) > 0);
}

/** The hash of what the element shows at a frame. */
const shownAt = (page: Page, frame: number): Promise<string> =>
  page.evaluate(
    ([at, hash]) => {
      const player = document.querySelector('obelus-piece') as Player;
      player.frame = at;
      const canvas = player.shadowRoot!.querySelector('canvas')!;
      const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
      return (new Function(`return ${hash}`)() as typeof hashOf)(data);
    },
    [frame, hashOf.toString()] as const,
  );

function painted(piece: Piece, frame: number, width: number): string {
  const scale = width / piece.size.width;
  const canvas = createCanvas(width, Math.round(piece.size.height * scale));
  paint(evaluate(piece, frame), canvas.getContext('2d'), createCanvas, scale);
  return hashOf(canvas.getContext('2d').getImageData(0, 0, canvas.width, canvas.height).data);
}

for (const piece of [
  ...someOf(SAMPLE_PROJECT.pieces, 5),
  ...someOf(FEATURES, 4).map((feature) => pieceWith(feature)),
])
  test(`${piece.name}: a page shows its frames to the last bit as they were designed`, async ({ page }) => {
    const errors: string[] = [];
    page.on('pageerror', (error) => errors.push(error.message));
    const width = Math.round(piece.size.width / 2);
    await openPage(page, piece, width);
    // Out of order, and one of them twice: no frame depends on what was shown before.
    const frames = [0.5, 0.2, 0.9, 0.5].map((share) => Math.round(share * (piece.length - 1)));
    for (const frame of frames)
      expect({ frame, hash: await shownAt(page, frame) }).toEqual({
        frame,
        hash: painted(piece, frame, width),
      });
    expect(errors).toEqual([]);
  });

test('fields are filled from attributes as the server fills them, and again when an attribute changes', async ({
  page,
}) => {
  const piece = SAMPLE_PROJECT.pieces.find(({ name }) => name === 'Lower third')!;
  const [name, role] = piece.fields.filter(({ kind }) => kind === 'text').map((field) => field.name);
  const values = { [name!]: 'Wyn Öster-Avery', [role!]: 'Heron counter, office & flats' };
  const filled = await filledPiece(piece, values);
  const attribute = (field: string) => `field-${field.toLowerCase().replace(/[^a-z0-9]+/g, '-')}`;
  await openPage(page, piece, 960, `${attribute(name!)}="Wyn Öster-Avery"`);
  await page.evaluate(([at, value]) => document.querySelector('obelus-piece')!.setAttribute(at, value), [
    attribute(role!),
    values[role!]!,
  ] as const);
  const frame = posterFrame(piece);
  const expected = painted(filled, frame, 960);
  expect(expected).not.toBe(painted(piece, frame, 960));
  await expect.poll(() => shownAt(page, frame)).toBe(expected);
});

test('it plays, pauses, seeks, loops and ends as media elements do; controls are worked by keyboard', async ({
  page,
}) => {
  const piece: Piece = { ...three('Plays'), length: 10 };
  await openPage(page, piece, 480, 'controls');
  const state = () =>
    page.evaluate(() => {
      const { frame, paused, ended, duration, currentTime } = document.querySelector(
        'obelus-piece',
      ) as Player;
      return { frame, paused, ended, duration, currentTime };
    });
  expect(await state()).toMatchObject({ frame: 0, paused: true, ended: false, duration: 0.4 });
  const events = await page.evaluate(
    () =>
      new Promise<string[]>((done) => {
        const player = document.querySelector('obelus-piece') as Player;
        const told: string[] = [];
        for (const name of ['play', 'pause', 'ended']) player.addEventListener(name, () => told.push(name));
        player.addEventListener('ended', () => setTimeout(() => done(told)));
        void player.play();
      }),
  );
  expect(events).toEqual(['play', 'pause', 'ended']);
  expect(await state()).toMatchObject({ frame: 9, paused: true, ended: true });
  // Looped it goes on past its end.
  const again = await page.evaluate(
    () =>
      new Promise<boolean>((done) => {
        const player = document.querySelector('obelus-piece') as Player;
        player.loop = true;
        let before = 0;
        player.addEventListener('timeupdate', () => {
          if (player.currentTime < before) done(!player.paused);
          before = player.currentTime;
        });
        void player.play();
      }),
  );
  expect(again).toBe(true);
  await page.getByRole('button', { name: 'Pause' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Play' })).toBeVisible();
  await page.getByRole('slider', { name: 'Time' }).focus();
  await page.keyboard.press('Home');
  expect(await state()).toMatchObject({ frame: 0, paused: true });
  await expect(page.getByRole('img', { name: 'Plays' })).toBeVisible();
});

test('who wants no motion sees the last frame of the hold; it is sharp on dense screens, and sized by CSS', async ({
  browser,
}) => {
  const context = await browser.newContext({ reducedMotion: 'reduce', deviceScaleFactor: 2 });
  const page = await context.newPage();
  const piece: Piece = { ...three('Still'), hold: { from: 40, to: 60 } };
  await openPage(page, piece, 400, 'autoplay loop');
  const now = await page.evaluate(() => {
    const player = document.querySelector('obelus-piece') as Player;
    const canvas = player.shadowRoot!.querySelector('canvas')!;
    return { frame: player.frame, paused: player.paused, wide: canvas.width, high: canvas.height };
  });
  expect(now).toEqual({ frame: 60, paused: true, wide: 800, high: 450 });
  await page.evaluate(() => ((document.querySelector('obelus-piece') as Player).style.width = '200px'));
  await expect
    .poll(() =>
      page.evaluate(() => document.querySelector('obelus-piece')!.shadowRoot!.querySelector('canvas')!.width),
    )
    .toBe(400);
  await context.close();
});

test('the element fetches a piece by its address; one that is none is an error in words', async ({
  page,
}) => {
  const piece = three('Fetched');
  const reel = await reelOf(piece, 10, 30, '#204060');
  pages.set('/obelus-piece.js', { type: 'text/javascript', text: (await playerScript()).text });
  pages.set('/piece.json', { type: 'application/json', text: JSON.stringify(reel) });
  pages.set('/none.json', { type: 'application/json', text: '{"piece": 3}' });
  pages.set('/element.html', {
    type: 'text/html',
    text: '<!doctype html><script type="module" src="obelus-piece.js"></script><obelus-piece src="piece.json"></obelus-piece>',
  });
  await page.goto(`${origin}/element.html`);
  await page.waitForFunction(() => document.querySelector<Player>('obelus-piece')?.duration === 21 / 25);
  expect(await page.evaluate(() => (document.querySelector('obelus-piece') as Player).frame)).toBe(10);
  // What lies beneath is there where the piece is not.
  const shot = await page.locator('obelus-piece').screenshot();
  const canvas = createCanvas(1, 1);
  canvas.getContext('2d').drawImage(await loadImage(shot), -4, -4);
  expect([...canvas.getContext('2d').getImageData(0, 0, 1, 1).data]).toEqual([0x20, 0x40, 0x60, 255]);
  const said = await page.evaluate(
    () =>
      new Promise<string[]>((done) => {
        const player = document.querySelector('obelus-piece')!;
        const told: string[] = [];
        player.addEventListener('error', (event) => {
          told.push((event as ErrorEvent).message);
          if (told.length === 1) player.setAttribute('src', 'lost.json');
          else done(told);
        });
        player.setAttribute('src', 'none.json');
      }),
  );
  expect(said).toEqual([
    'This piece can’t be shown: it is no piece of Obelus.',
    'lost.json was answered with 404.',
  ]);
});

/** A page with elements, under a policy that allows styles of its own files alone. */
async function openElements(
  page: Page,
  body: string,
): Promise<{ readonly asked: string[]; readonly refused: string[] }> {
  pages.set('/obelus-piece.js', { type: 'text/javascript', text: (await playerScript()).text });
  const path = `/${Math.random()}.html`;
  const policy = `<meta http-equiv="Content-Security-Policy" content="style-src 'self'">`;
  pages.set(path, {
    type: 'text/html',
    text: `<!doctype html>${policy}<script type="module" src="obelus-piece.js"></script>${body}`,
  });
  const [asked, refused]: [string[], string[]] = [[], []];
  page.on('request', (request) => asked.push(new URL(request.url()).pathname));
  page.on('console', (message) => message.type() === 'error' && refused.push(message.text()));
  await page.goto(origin + path);
  return { asked, refused };
}

test('it behaves as media elements do before it is there, when it is moved, and when it can’t (HTML Standard, 4.8.11)', async ({
  page,
}) => {
  const piece: Piece = { ...three('Asked early'), length: 100 };
  pages.set('/early.json', {
    type: 'application/json',
    text: JSON.stringify(await reelOf(piece, 0, 99, null)),
  });
  const short = await reelOf({ ...piece, length: 10 }, 0, 9, null);
  pages.set('/other.json', { type: 'application/json', text: JSON.stringify(short) });
  const { asked, refused } = await openElements(page, '<div id="a"></div><div id="b"></div>');
  const told = await page.evaluate(async () => {
    await customElements.whenDefined('obelus-piece');
    const player = document.createElement('obelus-piece') as Player;
    player.src = 'early.json';
    const refusals: string[] = [];
    for (const set of [() => (player.currentTime = NaN), () => (player.playbackRate = -1)]) {
      try {
        set();
      } catch (error) {
        refusals.push((error as Error).name);
      }
    }
    const heard: string[] = [];
    for (const name of ['loadedmetadata', 'canplaythrough', 'play', 'playing', 'ratechange'])
      player.addEventListener(name, () => heard.push(name));
    player.playbackRate = 2;
    player.currentTime = 1;
    const given = player.play().then(
      () => 'played',
      (error: Error) => error.name,
    );
    player.pause();
    const plays = player.play();
    const before = { ready: player.readyState, paused: player.paused, duration: String(player.duration) };
    document.querySelector('#a')!.append(player);
    await plays;
    const began = player.currentTime;
    document.querySelector('#b')!.append(player);
    const moved = { paused: player.paused, same: player.currentTime >= began };
    player.src = 'other.json';
    await new Promise((done) => player.addEventListener('loadedmetadata', done, { once: true }));
    const other = player.duration;
    player.remove();
    await Promise.resolve();
    return {
      ...{ heard, refusals, before, began, moved, other },
      ...{ given: await given, gone: player.paused, ready: player.readyState },
    };
  });
  expect(told).toMatchObject({
    refusals: ['TypeError', 'NotSupportedError'],
    before: { ready: 0, paused: false, duration: 'NaN' },
    given: 'AbortError',
    moved: { paused: false, same: true },
    ...{ gone: true, ready: 4, other: 0.4 },
  });
  expect(told.heard.slice(0, 5)).toEqual([
    'ratechange',
    'loadedmetadata',
    'canplaythrough',
    'play',
    'playing',
  ]);
  expect(told.began).toBeGreaterThanOrEqual(1);
  expect(asked.filter((path) => path === '/early.json')).toHaveLength(1);
  expect(refused).toEqual([]);
});

test('on one page two pieces are played by one script, each with its fields; where one can’t be it says so in words', async ({
  page,
}) => {
  const piece = SAMPLE_PROJECT.pieces.find(({ name }) => name === 'Lower third')!;
  const [name] = piece.fields.filter(({ kind }) => kind === 'text').map((field) => field.name);
  const attribute = `field-${name!.toLowerCase().replace(/[^a-z0-9]+/g, '-')}`;
  const json = JSON.stringify(await reelOf(piece, 0, piece.length - 1, null));
  pages.set('/third.json', { type: 'application/json', text: json });
  pages.set('/broken.json', { type: 'application/json', text: '{"piece": {"layers": [{}]' });
  pages.set('/obelus-piece.js?again', { type: 'text/javascript', text: (await playerScript()).text });
  const { refused } = await openElements(
    page,
    `<obelus-piece id="plain" src="third.json"></obelus-piece>
     <obelus-piece id="filled" src="third.json" ${attribute}="Wyn Avery"></obelus-piece>
     <obelus-piece id="broken" src="broken.json"></obelus-piece>
     <script type="module" src="obelus-piece.js?again"></script>`,
  );
  await page.waitForFunction(() =>
    ['plain', 'filled'].every((id) => (document.getElementById(id) as Player | null)?.readyState === 4),
  );
  const frame = posterFrame(piece);
  const [plain, filled] = await page.evaluate(
    (at) =>
      ['plain', 'filled'].map((id) => {
        const player = document.getElementById(id) as Player;
        player.frame = at;
        return player.shadowRoot!.querySelector('canvas')!.toDataURL();
      }),
    frame,
  );
  expect(filled).not.toBe(plain);
  await expect(page.locator('#broken').getByRole('alert')).toContainText('This piece can’t be shown: ');
  expect(refused.filter((text) => text.includes('style'))).toEqual([]);
});

test('who comes to want no motion while it plays sees it rest; out of sight it stands still and goes on', async ({
  page,
}) => {
  const piece: Piece = { ...three('Calm'), length: 100, hold: { from: 40, to: 60 } };
  await openPage(page, piece, 300, 'loop');
  const state = () =>
    page.evaluate(() => {
      const { frame, paused } = document.querySelector('obelus-piece') as Player;
      return { frame, paused };
    });
  await page.evaluate(() => (document.querySelector('obelus-piece') as Player).play());
  await expect.poll(async () => (await state()).frame).toBeGreaterThan(0);
  await page.evaluate(() => {
    document
      .querySelector('obelus-piece')!
      .setAttribute('style', 'position: absolute; top: 5000px; width: 300px');
  });
  // While it plays its time is another each time the screen is drawn anew.
  const standing = () =>
    page.evaluate(async () => {
      const player = document.querySelector('obelus-piece') as Player;
      const drawn = () => new Promise((done) => requestAnimationFrame(done));
      await drawn();
      const before = player.currentTime;
      for (let i = 0; i < 3; i++) await drawn();
      return player.currentTime === before;
    });
  await expect.poll(standing).toBe(true);
  expect((await state()).paused).toBe(false);
  await page.evaluate(() => document.querySelector('obelus-piece')!.setAttribute('style', 'width: 300px'));
  await expect.poll(standing).toBe(false);
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await expect.poll(state).toEqual({ frame: 60, paused: true });
});
