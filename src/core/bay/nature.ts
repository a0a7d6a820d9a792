import type { Pixels } from './lay';

/** What a file is: how its colour and its alpha belong together. */
export const NATURES = {
  straight: 'straight alpha',
  premultiplied: 'premultiplied alpha',
  hard: 'alpha of one bit',
  opaque: 'no alpha',
  'fill straight': 'fill and matte, straight',
  'fill premultiplied': 'fill and matte, premultiplied',
} as const;
export type Nature = keyof typeof NATURES;

/** Of so many half-transparent pixels at least anything is concluded. */
const FEW = 30;
/** How far, of 255, lossy video may carry a colour beyond its alpha; and what share of pixels may lie beyond that. */
const BEYOND = 12;
const SHARE = 0.02;

/**
 * What a picture looks like by its pixels alone, for files that nothing else is known of. In premultiplied pictures no colour is
 * brighter than its alpha, as it was multiplied by it; in straight ones bright ink keeps its brightness at its edges.
 * Null where the pixels don't tell: dark ink looks the same both ways, and an empty picture says nothing.
 */
export function natureOf(picture: Pixels, matte: Pixels | null): Nature | null {
  let [half, beyond, whole, none, shining] = [0, 0, 0, 0, 0];
  for (let i = 0; i < picture.length; i += 4) {
    const alpha = matte ? matte[i]! : picture[i + 3]!;
    const most = Math.max(picture[i]!, picture[i + 1]!, picture[i + 2]!);
    if (alpha === 0) none++;
    else if (alpha === 255) whole++;
    if (alpha <= 24 || alpha >= 231) continue;
    half++;
    if (most > alpha + BEYOND) beyond++;
    if (most > 200 * (alpha / 255)) shining++;
  }
  if (matte === null && none + half === 0) return whole > 0 ? 'opaque' : null;
  if (matte === null && half === 0 && none > 0 && whole > 0) return 'hard';
  if (half < FEW) return null;
  if (beyond > half * SHARE) return matte ? 'fill straight' : 'straight';
  if (shining > half * SHARE) return matte ? 'fill premultiplied' : 'premultiplied';
  return null;
}
