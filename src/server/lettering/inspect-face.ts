import { readFile } from 'node:fs/promises';
import { Refused } from '../heavy/refused';
import { readFontFile } from './font-file';
import { loadFace } from './harfbuzz';

/** What is said of a font file. */
export interface FaceFacts {
  /** Family and style as the face names itself; empty where it does not. */
  readonly name: string;
  /** Least and greatest weight of its weight axis; null where it has none. */
  readonly weights: { readonly min: number; readonly max: number } | null;
}

export interface InspectedFace extends FaceFacts {
  /** TrueType or OpenType, unpacked. */
  readonly font: Uint8Array;
}

/** Reads a font file and shapes with it once. @throws Refused in words where it can't be used. */
export async function inspectFace({ path }: { readonly path: string }): Promise<InspectedFace> {
  try {
    const font = await readFontFile(await readFile(path));
    const { name, weights, shape } = await loadFace(font);
    shape('Aa', { ligatures: true });
    return { name, weights, font };
  } catch (error) {
    throw new Refused((error as Error).message);
  }
}
