import { readFileSync } from 'node:fs';
import { addLayers, newLettering, newPiece, type Lettering } from '@/core/document';
import { setText } from '@/core/lettering';
import { strokesThrough } from '@/core/scene';
import { makeCanvas } from '@/core/testing/face-measures';
import { coverage, coveredArt, TRACE_OPTIONS, withSelfWriting } from '@/core/trace';
import { loadFace } from './harfbuzz';

/** Texts at sizes at which their strokes, made longer and wider by turns, come to rest late or not at all. */
const CASES = [
  ['sacramento', 'Sacramento', 'Ebb', 720],
  ['quicksand', 'Quicksand', 'Reeds', 506],
  ['quicksand', 'Quicksand', 'Marsh', 515],
  ['lora', 'Lora', 'Quay', 547],
] as const;

test.each(CASES)(
  '%s: what writes itself is wholly uncovered (%s, “%s” at %i px)',
  async (id, name, text, size) => {
    const file = `node_modules/@expo-google-fonts/${id}/400Regular/${name}_400Regular.ttf`;
    const shaper = await loadFace(readFileSync(file));
    const setting = {
      text,
      face: { id, weight: 400 },
      size,
      tracking: 0,
      leading: 1.2,
      align: 'centre' as const,
    };
    const layer = newLettering('text', text, setting, setText(setting, shaper), { x: 960, y: 720 });
    const piece = addLayers(newPiece(text, { width: 1920, height: 1080 }, undefined, 100), [layer]);
    let n = 0;
    const how = { make: makeCanvas, newId: () => `s${n++}`, options: TRACE_OPTIONS };
    const made = withSelfWriting(piece, 'text', how);
    const written = made.layers.find((one): one is Lettering => one.type === 'lettering')!;
    const strokes = strokesThrough(made, written.reveal!);
    const { bare } = coverage(coveredArt(written, strokes, true, makeCanvas)!, strokes, 100);
    expect(bare.map(({ area, box }) => ({ area, box }))).toEqual([]);
  },
);
