import type { LineFaceId } from '@/contract';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { transformCommands, pathsOf, readPathData, type Path } from '@/core/geometry';
import { HttpError } from '../http';

/** A single-line face (package hersheytext; Hershey's own, and faces by Sheldon B. Michaels under the OFL). */
interface LineFace {
  readonly unitsPerEm: number;
  readonly letters: ReadonlyMap<string, { advance: number; data: string }>;
}

const loaded = new Map<LineFaceId, Promise<LineFace>>();

const plain = (text: string): string =>
  text.replace(/&#x([0-9a-f]+);|&#(\d+);|&(amp|lt|gt|quot|apos);/gi, (_, hex, dec, name) =>
    name
      ? ({ amp: '&', lt: '<', gt: '>', quot: '"', apos: "'" } as Record<string, string>)[name]!
      : String.fromCodePoint(parseInt(hex ?? dec, hex ? 16 : 10)),
  );

/** Reads an SVG font (SVG 1.1, chapter 20) as the package has them: a glyph an element, one line path each. */
async function load(id: LineFaceId): Promise<LineFace> {
  const source = await readFile(
    join(/* turbopackIgnore: true */ process.cwd(), 'node_modules/hersheytext/svg_fonts', `${id}.svg`),
    'utf8',
  );
  const letters = new Map<string, { advance: number; data: string }>();
  for (const [, attributes] of source.matchAll(/<glyph\s([^>]*)>/g)) {
    const value = (name: string) => new RegExp(`\\b${name}="([^"]*)"`).exec(attributes!)?.[1];
    letters.set(plain(value('unicode') ?? ''), {
      advance: Number(value('horiz-adv-x') ?? 500),
      data: value('d') ?? '',
    });
  }
  return { unitsPerEm: Number(/units-per-em="(\d+)"/.exec(source)?.[1] ?? 1000), letters };
}

interface LineSetting {
  readonly text: string;
  readonly face: LineFaceId;
  /** Height of the em, px. */
  readonly size: number;
  /** Added between letters, in thousandths of the size. */
  readonly tracking: number;
  /** From baseline to baseline, as a share of the size. */
  readonly leading: number;
}

/** A text in a single-line face: the strokes of each letter, from the first baseline's start at (0, 0). */
export async function setLines(setting: LineSetting): Promise<{
  letters: { letter: string; paths: Path[] }[];
  missing: string[];
}> {
  let face = loaded.get(setting.face);
  if (!face) loaded.set(setting.face, (face = load(setting.face)));
  const { unitsPerEm, letters } = await face.catch(() => {
    throw new HttpError(500, 'This face could not be read.');
  });
  const k = setting.size / unitsPerEm;
  const missing = new Set<string>();
  const out: { letter: string; paths: Path[] }[] = [];
  setting.text.split(/\r?\n/).forEach((line, row) => {
    let x = 0;
    const y = row * setting.leading * setting.size;
    for (const letter of line) {
      const glyph = letters.get(letter);
      if (!glyph) {
        missing.add(letter);
        continue;
      }
      const { commands } = readPathData(glyph.data);
      const paths = pathsOf(transformCommands(commands, [k, 0, 0, -k, x, y]));
      if (paths.length > 0) out.push({ letter, paths });
      x += glyph.advance * k + (setting.tracking / 1000) * setting.size;
    }
  });
  return { letters: out, missing: [...missing] };
}
