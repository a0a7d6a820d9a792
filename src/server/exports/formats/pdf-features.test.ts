import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createCanvas } from '@napi-rs/canvas';
import sharp from 'sharp';
import { exportSettingsSchema, notCarried, wholeSettings } from '@/contract';
import { paint } from '@/core/paint';
import { evaluate } from '@/core/scene';
import { cases, someOf } from '@/core/testing/cases';
import { anyPair, FEATURES, pieceWith } from '@/core/testing/feature-pieces';
import { WRITE } from '.';

const folder = mkdtempSync(join(tmpdir(), 'obelus-pdf-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** What white paper shows of a frame. */
function onPaper(
  draw: (context: ReturnType<ReturnType<typeof createCanvas>['getContext']>) => void,
  width: number,
  height: number,
) {
  const context = createCanvas(width, height).getContext('2d');
  context.fillStyle = '#ffffff';
  context.fillRect(0, 0, width, height);
  draw(context);
  return context.getImageData(0, 0, width, height).data;
}

test('what is not said to be lost is on a page of PDF as poppler draws it', async () => {
  const pieces = [
    ...someOf(FEATURES, 14).map((feature) => pieceWith(feature)),
    ...[...cases(4, 60)].map((seed) => pieceWith(...anyPair(seed))),
  ];
  const off: string[] = [];
  for (const piece of pieces) {
    const asked = { format: 'still-pdf', first: 24, last: 24, scale: 1, transparency: 'straight' } as const;
    const settings = wholeSettings(exportSettingsSchema.parse(asked));
    if (notCarried(piece, settings).some(({ lack }) => lack)) continue;
    const file = join(folder, 'page.pdf');
    await WRITE['still-pdf']({ piece, settings, stem: 'p', file, progress: () => true });
    execFileSync('pdftoppm', ['-r', '96', '-png', '-singlefile', file, join(folder, 'page')]);
    const { data, info } = await sharp(join(folder, 'page.png'))
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    const { width, height } = piece.size;
    expect(info).toMatchObject({ width, height });
    const own = createCanvas(width, height);
    paint(evaluate(piece, 24), own.getContext('2d'), createCanvas);
    const wanted = onPaper((context) => context.drawImage(own, 0, 0), width, height);
    let [far, ink] = [0, 0];
    for (let i = 0; i < wanted.length; i += 4) {
      const most = Math.max(...[0, 1, 2].map((c) => Math.abs(wanted[i + c]! - data[i + c]!)));
      if (Math.min(wanted[i]!, wanted[i + 1]!, wanted[i + 2]!) < 250) ink++;
      if (most > 32) far++;
    }
    // Edges are smoothed otherwise, and those of melted ink lie up to half a pixel elsewhere in a picture that is twice as dense.
    if (far / ink > 0.04) off.push(`${piece.name}: ${far} of ${ink} inked pixels`);
  }
  expect(off).toEqual([]);
});
