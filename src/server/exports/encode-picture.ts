import sharp from 'sharp';

interface Size {
  readonly width: number;
  readonly height: number;
}

/** PNG of raw RGBA bytes, as they are: straight, premultiplied or opaque. */
export const pngOf = (bytes: Uint8Array, { width, height }: Size): Promise<Buffer> =>
  sharp(bytes, { raw: { width, height, channels: 4 }, limitInputPixels: false })
    .png()
    .toBuffer();

/** PNG of raw RGBA of 16 bits a channel. */
export const deepPngOf = (values: Uint16Array, { width, height }: Size): Promise<Buffer> =>
  sharp(values, { raw: { width, height, channels: 4 }, limitInputPixels: false })
    .toColourspace('rgb16')
    .png()
    .toBuffer();

/** Lossless WebP of raw RGBA bytes. */
export const webpOf = (bytes: Uint8Array, { width, height }: Size): Promise<Buffer> =>
  sharp(bytes, { raw: { width, height, channels: 4 }, limitInputPixels: false })
    .webp({ lossless: true, exact: true })
    .toBuffer();
