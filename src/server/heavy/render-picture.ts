import { readFile } from 'node:fs/promises';
import { createCanvas } from '@napi-rs/canvas';
import sharp from 'sharp';
import { newArt } from '@/core/document';
import { readSvg, SvgError } from '@/core/formats';
import { scaling } from '@/core/geometry';
import { paint } from '@/core/paint';
import { artItems } from '@/core/scene';
import { PICTURE_LIMITS } from './picture-limits';
import { pictureKind, type PictureKind } from './picture-kind';
import { Refused } from './refused';

/** A picture as it is kept: nothing but pixels, written anew. */
interface RenderedPicture {
  readonly bytes: Uint8Array;
  readonly mediaType: 'image/png' | 'image/webp';
  readonly width: number;
  readonly height: number;
  /** What it was decoded from. */
  readonly source: PictureKind;
}

/** Smaller pictures are kept without loss, so that scans of ink stay sharp. */
const LOSSLESS_PIXELS = 3e6;

// Each process does one picture at a time, and keeps none of it.
sharp.concurrency(1);
sharp.cache(false);

/** An SVG file painted by our own reader: nothing in it is run or fetched. */
async function paintSvg(source: string): Promise<RenderedPicture> {
  const read = readSvg(source);
  const { width, height } = read;
  const scale = Math.min(
    4,
    PICTURE_LIMITS.side / Math.max(width, height),
    Math.max(1, 2000 / Math.max(width, height)),
  );
  const [w, h] = [Math.max(1, Math.round(width * scale)), Math.max(1, Math.round(height * scale))];
  const canvas = createCanvas(w, h);
  const items = artItems(newArt('svg', 'SVG', read, scaling(scale)));
  paint({ width: w, height: h, items }, canvas.getContext('2d'), createCanvas);
  return { bytes: await canvas.encode('png'), mediaType: 'image/png', width: w, height: h, source: 'svg' };
}

/**
 * A picture decoded, turned upright, brought to 8 bits of sRGB and written anew; of an animated one the first.
 * @throws Refused in words where it can't be used.
 */
export async function renderPicture({ path }: { readonly path: string }): Promise<RenderedPicture> {
  const bytes = await readFile(path);
  const kind = pictureKind(bytes);
  if (kind === null) throw new Refused('it is neither PNG, JPEG, WebP nor SVG.');
  if (kind === 'svg') {
    try {
      return await paintSvg(bytes.toString('utf8'));
    } catch (error) {
      throw error instanceof SvgError ? new Refused(error.message) : error;
    }
  }
  try {
    const decoder = sharp(bytes, {
      limitInputPixels: PICTURE_LIMITS.pixels,
      failOn: 'error',
      animated: false,
    });
    const { width = 0, height = 0 } = await decoder.metadata();
    const { side } = PICTURE_LIMITS;
    const kept = Math.min(1, side / Math.max(width, height)) ** 2 * width * height;
    const { data: out, info } = await decoder
      .rotate()
      .resize(side, side, { fit: 'inside', withoutEnlargement: true })
      .toColourspace('srgb')
      .webp(
        kept <= LOSSLESS_PIXELS
          ? { lossless: true, effort: 2 }
          : { quality: 95, alphaQuality: 100, effort: 2 },
      )
      .toBuffer({ resolveWithObject: true });
    return { bytes: out, mediaType: 'image/webp', width: info.width, height: info.height, source: kind };
  } catch (error) {
    const { message } = error as Error;
    if (/pixel limit/i.test(message))
      throw new Refused(`it unfolds to more than ${PICTURE_LIMITS.pixels / 1e6} million pixels.`);
    throw new Refused(`it is damaged (${message.split('\n')[0]!.trim().replace(/\.$/, '')}).`);
  }
}
