import type { Piece } from '@/core/document';
import { countedRing, mapRoute } from './charts';
import { boxedStrip, twoLines } from './lower-thirds';
import { chapterCard, handwrittenTitle, signature, stackedLines, underlinedKeyword } from './titles';

export { handwritten, leaving, withWake } from './make';
export {
  boxedStrip,
  chapterCard,
  countedRing,
  handwrittenTitle,
  mapRoute,
  signature,
  stackedLines,
  twoLines,
  underlinedKeyword,
};

/** The layouts that ship with Obelus, each an ordinary piece with fields to fill in. */
export const LAYOUTS: readonly { readonly id: string; readonly piece: () => Piece }[] = [
  { id: 'handwritten-title', piece: handwrittenTitle },
  { id: 'two-lines', piece: twoLines },
  { id: 'boxed-strip', piece: boxedStrip },
  { id: 'underlined-keyword', piece: underlinedKeyword },
  { id: 'signature', piece: signature },
  { id: 'chapter-card', piece: chapterCard },
  { id: 'map-route', piece: mapRoute },
  { id: 'counted-ring', piece: countedRing },
  { id: 'stacked-lines', piece: stackedLines },
];
