import { positionIn, type Position } from '../ductus';
import type { Lettering } from '../document';

/** A letter of a text: its sign or signs, and the glyph that shows it. */
export interface Letter {
  readonly text: string;
  readonly glyph: number;
  /** Whether other glyphs show the rest of it: a face may set a letter's dots, or the letters of a syllable, as glyphs of their own. */
  readonly isPart: boolean;
  /** Where it stands in a run of joined letters. */
  readonly position: Position;
  /** Which word of the text it is in. */
  readonly word: number;
}

/** What joins or parts letters and is not seen itself: zero-width joiner and non-joiner. */
const UNSEEN = /[\u200c\u200d]/g;

/** The letters of a text in the order in which they are read. */
export function lettersIn({ setting: { text }, set }: Lettering): Letter[] {
  const clusters = [...new Set(set.glyphs.map(({ cluster }) => cluster))].sort((a, b) => a - b);
  const next = new Map(clusters.map((cluster, i) => [cluster, clusters[i + 1] ?? text.length]));
  const shown = new Map<number, number>();
  for (const { cluster } of set.glyphs) shown.set(cluster, (shown.get(cluster) ?? 0) + 1);
  return set.glyphs
    .map(({ cluster }, glyph): Letter => {
      const end = next.get(cluster)!;
      return {
        text: text.slice(cluster, end).replace(UNSEEN, '').trim(),
        glyph,
        isPart: shown.get(cluster)! > 1,
        position: positionIn(text, cluster, end),
        word: text.slice(0, cluster).split(/\s+/).length,
      };
    })
    .sort((a, b) => set.glyphs[a.glyph]!.cluster - set.glyphs[b.glyph]!.cluster || a.glyph - b.glyph);
}
