// Sets the texts of the layouts and finds the strokes of the handwritten ones, with the very code the application runs, and
// keeps them in src/layouts/data.json: shaping needs WebAssembly and tracing a canvas, which layouts are to do without.
import { createCanvas } from '@napi-rs/canvas';
import { join } from 'node:path';
import { addLayers, markOf, newPiece, strokesOf, type Lettering, type Stroke } from '../src/core/document';
import { pathData, readPathData } from '../src/core/geometry';
import { TRACE_OPTIONS } from '../src/core/trace';
import { withSelfWriting } from '../src/core/trace';
import { HANDWRITTEN, lettering, SETTINGS, settingOf, type TextKey } from '../src/layouts/texts';
import { setLettering } from '../src/server/lettering';
import { short, shortPath } from './lib/short';
import { writeFormatted } from './lib/written.mjs';

/** Px that strokes are wider than they must be where they were fitted: a layout is put in at any place between pixels. */
const SPARE = 1.5;

/** The strokes that uncover a text set about the origin. */
function handFor(text: Lettering): Pick<Stroke, 'name' | 'path' | 'ink' | 'traced'>[] {
  // Far enough from the picture's edges that nothing is cut off.
  const size = { width: 2400, height: 1200 };
  const placed = { ...text, x: 1200, y: 700 };
  let n = 0;
  const made = withSelfWriting(addLayers(newPiece('Hand', size), [placed]), text.id, {
    make: createCanvas,
    newId: () => `s${++n}`,
    options: TRACE_OPTIONS,
  });
  console.log(`${text.name}: ${strokesOf(made).length} strokes`);
  return strokesOf(made).map((stroke) => {
    const path = shortPath(stroke.path, -placed.x, -placed.y);
    const { ink } = stroke;
    return {
      name: stroke.name,
      path,
      ink: {
        ...ink,
        width: short((ink.width as number) + SPARE),
        ...(ink.widths && {
          widths: ink.widths.map((w) => ({ at: short(w.at, 4), scale: short(w.scale, 3) })),
        }),
      },
      traced: { ...stroke.traced!, mark: markOf(path) },
    };
  });
}

async function main(): Promise<void> {
  const texts: Record<string, Lettering['set']> = {};
  const hands: Record<string, unknown> = {};
  for (const key of Object.keys(SETTINGS) as TextKey[]) {
    const set = await setLettering(settingOf(key));
    const shorter = (outlines: Record<string, string>) =>
      Object.fromEntries(
        Object.entries(outlines).map(([name, data]) => [name, pathData(readPathData(data).commands, 0)]),
      );
    texts[key] = {
      ...set,
      outlines: shorter(set.outlines),
      ...(set.digits && { digits: { ...set.digits, outlines: shorter(set.digits.outlines) } }),
    };
  }
  for (const key of HANDWRITTEN)
    hands[key] = handFor({ ...lettering(key, key, 0, 0, '#ffffff'), set: texts[key]! });
  await writeFormatted(
    join(import.meta.dirname, '../src/layouts/data.json'),
    JSON.stringify({ texts, hands }),
  );
}
void main();
