import sharp from 'sharp';
import type { RenderedFrame } from './render-frames';

interface Size {
  readonly width: number;
  readonly height: number;
}

/** PNG of raw RGBA bytes, as they are: straight, premultiplied or opaque. */
export const pngOf = (bytes: Uint8Array, { width, height }: Size): Promise<Buffer> =>
  sharp(bytes, { raw: { width, height, channels: 4 }, limitInputPixels: false })
    .png()
    .toBuffer();

/** PNG of a painted frame, straight. */
export const pngOfFrame = ({ canvas }: RenderedFrame): Promise<Buffer> => canvas.encode('png');

/** Lossless WebP of raw RGBA bytes. */
export const webpOf = (bytes: Uint8Array, { width, height }: Size): Promise<Buffer> =>
  sharp(bytes, { raw: { width, height, channels: 4 }, limitInputPixels: false })
    .webp({ lossless: true, exact: true })
    .toBuffer();
