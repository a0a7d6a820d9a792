import { createCanvas } from '@napi-rs/canvas';
import sharp from 'sharp';
import { readSvg, SvgError } from '@/core/formats';
import { compose, scaling } from '@/core/geometry';
import { paint } from '@/core/paint';
import { artItems } from '@/core/scene';
import { readAsset, storeBytes } from './assets';
import { HttpError } from './http';

/** Bytes a picture may have, pixels it may unfold to, and pixels of its longer side that are kept. */
export const PICTURE_LIMITS = { bytes: 50 * 1024 * 1024, pixels: 120e6, side: 4096 } as const;
/** Smaller pictures are kept without loss, so that scans of ink stay sharp. */
const LOSSLESS_PIXELS = 3e6;

export interface StoredPicture {
  readonly hash: string;
  readonly width: number;
  readonly height: number;
}

type Kind = 'png' | 'jpeg' | 'webp' | 'svg';

/** What the bytes are, by themselves: names and declared types are not trusted. */
function kindOf(bytes: Buffer): Kind | null {
  const starts = (...values: number[]) => values.every((value, i) => bytes[i] === value);
  if (starts(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a)) return 'png';
  if (starts(0xff, 0xd8, 0xff)) return 'jpeg';
  if (bytes.toString('latin1', 0, 4) === 'RIFF' && bytes.toString('latin1', 8, 12) === 'WEBP') return 'webp';
  const head = bytes
    .toString('utf8', 0, 4096)
    .replace(/^\ufeff/, '')
    .trimStart();
  return head.startsWith('<') && /<svg[\s>]|<[\w-]+:svg[\s>]/.test(bytes.toString('utf8', 0, 65_536))
    ? 'svg'
    : null;
}

const refused = (why: string) =>
  new HttpError(422, `This picture can’t be used: ${why} Nothing was changed.`);

/** An SVG file painted by our own reader: nothing in it is run or fetched. */
function paintSvg(source: string): { png: Promise<Buffer>; width: number; height: number } {
  const { width, height, shapes } = readSvg(source);
  const scale = Math.min(
    4,
    PICTURE_LIMITS.side / Math.max(width, height),
    Math.max(1, 2000 / Math.max(width, height)),
  );
  const [w, h] = [Math.max(1, Math.round(width * scale)), Math.max(1, Math.round(height * scale))];
  const canvas = createCanvas(w, h);
  const items = artItems({
    type: 'art',
    id: 'svg',
    name: 'SVG',
    hidden: false,
    locked: false,
    opacity: 1,
    transform: compose(scaling(scale), [1, 0, 0, 1, 0, 0]),
    shapes,
  });
  paint({ width: w, height: h, items }, canvas.getContext('2d'), createCanvas);
  return { png: canvas.encode('png'), width: w, height: h };
}

/**
 * Takes a picture in: PNG, JPEG, WebP or SVG. It is decoded, turned upright, brought to 8 bits of sRGB and written anew,
 * so that nothing but pixels is kept; of an animated one the first picture. The same pixels are kept once.
 */
export async function storePicture(bytes: Buffer): Promise<StoredPicture> {
  if (bytes.length === 0) throw refused('it is empty.');
  const kind = kindOf(bytes);
  if (!kind) throw refused('it is neither PNG, JPEG, WebP nor SVG.');
  if (kind === 'svg') {
    try {
      const painted = paintSvg(bytes.toString('utf8'));
      const asset = await storeBytes(await painted.png, 'image/png');
      return { hash: asset.hash, width: painted.width, height: painted.height };
    } catch (error) {
      if (error instanceof SvgError) throw refused(error.message);
      throw error;
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
    const { data, info } = await decoder
      .rotate()
      .resize(side, side, { fit: 'inside', withoutEnlargement: true })
      .toColourspace('srgb')
      .webp(
        kept <= LOSSLESS_PIXELS
          ? { lossless: true, effort: 2 }
          : { quality: 95, alphaQuality: 100, effort: 2 },
      )
      .toBuffer({ resolveWithObject: true });
    const asset = await storeBytes(data, 'image/webp');
    return { hash: asset.hash, width: info.width, height: info.height };
  } catch (error) {
    const { message } = error as Error;
    if (/pixel limit/i.test(message))
      throw refused(`it unfolds to more than ${PICTURE_LIMITS.pixels / 1e6} million pixels.`);
    throw refused(`it is damaged (${message.split('\n')[0]!.replace(/[.\s]+$/, '')}).`);
  }
}

/** A stored picture; other assets (exports, fonts) are not given out as one. */
export async function openPicture(hash: string): Promise<{ bytes: Buffer; mediaType: string }> {
  const asset = await readAsset(hash);
  if (!asset || !asset.mediaType.startsWith('image/')) throw new HttpError(404, 'There is no such picture.');
  return asset;
}
