import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { resolve } from 'node:path';
import type { PathCommand } from '../../src/core/geometry';
import { setText } from '../../src/core/lettering';
import { letterOutlines } from '../../src/core/document';
import { loadFace } from '../../src/server/lettering/harfbuzz';
import { SHIPPED_FACES } from '../../src/server/lettering/shipped-faces';

/** The file of a shipped face at its weight nearest to 400. */
export function faceFile(id: string, weight?: number): string {
  const { weights } = SHIPPED_FACES.find((face) => face.id === id)!;
  const nearest =
    weight ??
    Object.keys(weights)
      .map(Number)
      .sort((a, b) => Math.abs(a - 400) - Math.abs(b - 400))[0]!;
  const folder = weights[nearest]!;
  const family = createRequire(resolve('package.json'))
    .resolve(`@expo-google-fonts/${id}/package.json`)
    .replace(/package\.json$/, '');
  const stem = SHIPPED_FACES.find((face) => face.id === id)!.name.replaceAll(' ', '');
  return `${family}${folder}/${stem}_${folder}.ttf`;
}

/** A word's outlines in a shipped face, set at a size in pixels. */
export async function outlinesOf(id: string, text: string, size: number): Promise<PathCommand[][]> {
  const shaper = await loadFace(readFileSync(faceFile(id)));
  const setting = {
    ...{ text, face: { id, weight: 400 }, size, tracking: 0, leading: 1.2, align: 'left' as const },
  };
  return letterOutlines({ setting, set: setText(setting, shaper), x: 0, y: 0 });
}
