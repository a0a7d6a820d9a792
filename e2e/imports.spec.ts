import { expect, test } from './test';
import { readSvg, strokesFromShapes, writeLottie, writeSvg } from '../src/core/formats';
import { IDENTITY } from '../src/core/geometry';
import { evaluate } from '../src/core/scene';
import { seeded } from '../src/core/testing/families';
import { valueAt } from '../src/core/timing';
import { windowAt, type Piece, type Stroke } from '../src/core/document';
import { openNew } from './desk';
import { blank, three } from './pieces';

const LENGTH = 100;
const svg = (body: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 100" width="200" height="100">${body}</svg>`;
const path = (attributes: string, inner = ''): string =>
  `<path d="M0 50H${LENGTH}" fill="none" stroke="#f80" stroke-width="4" ${attributes}>${inner}</path>`;

/** Lines that are written by their dashes, in the ways that files have it; some at random. */
function movingCases(): string[] {
  const animate = (attributes: string, name = 'stroke-dashoffset') =>
    `<animate attributeName="${name}" ${attributes}/>`;
  const css = (frames: string, animation: string) =>
    `<style>@keyframes w { ${frames} } path { stroke-dasharray: 100; stroke-dashoffset: 100; animation: ${animation} }</style>${path('')}`;
  const random = seeded(77);
  const n = (from: number, to: number) => (from + random() * (to - from)).toFixed(3);
  return [
    path('stroke-dasharray="100"', animate('from="100" to="0" dur="2s" fill="freeze"')),
    path('stroke-dasharray="100"', animate('values="100;0;-100" keyTimes="0;.3;1" dur="1.5s"')),
    path(
      'stroke-dasharray="100"',
      animate('values="100;20;0" dur="1s" begin=".5s" calcMode="discrete" fill="freeze"'),
    ),
    path(
      'stroke-dasharray="100"',
      animate('values="100;0" dur="2s" calcMode="spline" keySplines=".7 0 .2 1" fill="freeze"'),
    ),
    path(
      'pathLength="1" stroke-dasharray="0 1"',
      animate('values="0 1;1 1" dur="2s" fill="freeze"', 'stroke-dasharray'),
    ),
    css('to { stroke-dashoffset: 0 }', 'w 2s forwards'),
    css('to { stroke-dashoffset: 0 }', 'w 1s ease-in-out .7s both'),
    css(
      '40% { stroke-dashoffset: 10; animation-timing-function: steps(3) } to { stroke-dashoffset: -100 }',
      '2s linear w',
    ),
    css(
      'from { stroke-dashoffset: -100 } to { stroke-dashoffset: 0 }',
      'w 1.2s cubic-bezier(.1, .8, .3, 1) reverse both',
    ),
    ...Array.from({ length: 12 }, () =>
      random() < 0.5
        ? path(
            'stroke-dasharray="100"',
            animate(
              `values="100;${n(0, 90)};0" keyTimes="0;${n(0.2, 0.8)};1" dur="${n(0.5, 2)}s" begin="${n(0, 0.8)}s" calcMode="spline" keySplines="${n(0, 1)} ${n(0, 1)} ${n(0, 1)} ${n(0, 1)};${n(0, 1)} 0 ${n(0, 1)} 1" fill="freeze"`,
            ),
          )
        : css(
            `${Math.round(20 + random() * 60)}% { stroke-dashoffset: ${n(0, 90)} } to { stroke-dashoffset: 0 }`,
            `w ${n(0.5, 2)}s cubic-bezier(${n(0, 1)}, ${n(-0.2, 1)}, ${n(0, 1)}, ${n(0, 1.2)}) ${n(0, 0.8)}s both`,
          ),
    ),
  ];
}

test('what of a line is inked at any moment is what Chromium shows of it (SVG Animations, CSS Animations)', async ({
  page,
}) => {
  const moments = [0, 0.31, 0.62, 0.97, 1.24, 1.55, 1.83, 2.4, 3.1];
  for (const body of movingCases()) {
    const read = readSvg(svg(body));
    const [stroke] = strokesFromShapes(read, IDENTITY);
    expect({ body, isMoving: stroke!.window !== null }).toEqual({ body, isMoving: true });
    await page.setContent(svg(body));
    const seen = await page.evaluate((moments) => {
      const root = document.querySelector('svg')!;
      const line = root.querySelector('path')!;
      root.pauseAnimations();
      const counted = Number(line.getAttribute('pathLength') ?? line.getTotalLength());
      return moments.map((at) => {
        root.setCurrentTime(at);
        for (const animation of root.getAnimations({ subtree: true })) {
          animation.pause();
          animation.currentTime = at * 1000;
        }
        const style = getComputedStyle(line);
        const [dash] = style.strokeDasharray.split(',').map(parseFloat);
        const offset = parseFloat(style.strokeDashoffset);
        return [(dash! - offset) / counted, -offset / counted];
      });
    }, moments);
    const held = (ends: readonly number[]) =>
      ends.map((end) => Math.round(Math.min(1, Math.max(0, end)) * 500) / 500);
    const { head, tail } = stroke!.window!;
    const own = moments.map((at) => [valueAt(head, at), valueAt(tail, at)]);
    const off = Math.max(
      ...own.flatMap((ends, i) => held(ends).map((end, k) => Math.abs(end - held(seen[i]!)[k]!))),
    );
    expect({ body, off: off < 0.005 ? 0 : off }).toEqual({ body, off: 0 });
  }
});

const lists = (piece: Piece) => Array.from({ length: piece.length }, (_, frame) => evaluate(piece, frame));
/** Frames at which heads and tails of strokes stand, of a piece at twice the rate. */
const timing = (layers: readonly Stroke[], factor: number) =>
  layers.map((stroke) =>
    [0, 12, 20, 40, 75, 84].map((frame) => {
      const { head, tail } = windowAt(stroke, frame * factor);
      const ends = [tail, head].map((end) => Math.min(1, Math.max(0, end)));
      return ends[1]! - ends[0]! < 0.01 ? 'nothing' : ends.map((end) => end.toFixed(1)).join(' to ');
    }),
  );

test('a vector animation comes in as strokes with their timing, at the rate of the piece, and undone in one step', async ({
  page,
}) => {
  const sent = three('Sent');
  const json = writeLottie({ name: 'Sent', lists: lists(sent), framesPerSecond: 25 });
  const desk = await openNew(page, {
    ...blank('Received'),
    rate: { numerator: 50, denominator: 1 },
    length: 40,
  });
  await page.getByRole('radio', { name: 'Underlay', exact: true }).click();
  await page
    .getByLabel('Picture file')
    .setInputFiles({ name: 'sent.json', mimeType: 'application/json', buffer: Buffer.from(json) });
  await expect(page.getByText(/3 strokes of sent.json came in, 2 with their timing/)).toBeVisible();
  await expect.poll(async () => (await desk.savedDocument()).layers.length).toBe(3);
  const received = await desk.savedDocument();
  // As large as a picture that is brought: eight tenths; as long as it takes.
  expect(received.length).toBeGreaterThan(150);
  expect(timing(received.layers, 2)).toEqual(timing(sent.layers as Stroke[], 1));
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await desk.savedDocument()).layers.length).toBe(0);
  await page.getByRole('radio', { name: 'Underlay', exact: true }).click();
  await page
    .getByLabel('Picture file')
    .setInputFiles({ name: 'list.json', mimeType: 'application/json', buffer: Buffer.from('{"names": []}') });
  await expect(page.getByText(/list.json can’t be read. It is no vector animation/)).toBeVisible();
});

test('an animated SVG says how many of its lines move, and gives them as strokes with their timing', async ({
  page,
}) => {
  const sent = three('Sent');
  const text = writeSvg({
    name: 'Sent',
    lists: lists(sent),
    framesPerSecond: 25,
    plays: 'again',
    still: 50,
    scale: 1,
  });
  const desk = await openNew(page, blank('Received'));
  await page.getByRole('radio', { name: 'Underlay', exact: true }).click();
  await page
    .getByLabel('Picture file')
    .setInputFiles({ name: 'sent.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(text) });
  const dialog = page.getByRole('dialog', { name: 'sent' });
  await expect(dialog).toContainText('3 lines that can be strokes at once, 2 with their timing');
  await dialog.getByRole('button', { name: 'Lines as strokes' }).click();
  await expect.poll(async () => (await desk.savedDocument()).layers.length).toBe(3);
  expect(timing((await desk.savedDocument()).layers, 1)).toEqual(timing(sent.layers as Stroke[], 1));
});
