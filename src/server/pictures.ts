import { readAsset, storeBytes } from './assets';
import { kindOfPicture, PICTURE_LIMITS, Refused, runHeavy } from './heavy';
import { HttpError, type Upload } from './http';

export { PICTURE_LIMITS };

interface StoredPicture {
  readonly hash: string;
  readonly width: number;
  readonly height: number;
}

const refused = (why: string) =>
  new HttpError(422, `This picture can’t be used: ${why} Nothing was changed.`);

/**
 * Takes a picture in: PNG, JPEG, WebP or SVG. It is decoded and written anew in a process of its own, so that nothing but
 * pixels is kept. The same pixels are kept once.
 */
export async function storePicture({ path, size }: Upload): Promise<StoredPicture> {
  // What is told by its first bytes waits behind no other picture.
  if (size === 0) throw refused('it is empty.');
  if (!(await kindOfPicture(path))) throw refused('it is neither PNG, JPEG, WebP nor SVG.');
  try {
    const { bytes: kept, mediaType, width, height } = await runHeavy('picture', { path }, { bytes: size });
    const { hash } = await storeBytes(kept, mediaType);
    return { hash, width, height };
  } catch (error) {
    throw error instanceof Refused ? refused(error.message) : error;
  }
}

/** A stored picture; other assets (exports, fonts) are not given out as one. */
export async function openPicture(hash: string): Promise<{ bytes: Buffer; mediaType: string }> {
  const asset = await readAsset(hash);
  if (!asset || !asset.mediaType.startsWith('image/')) throw new HttpError(404, 'There is no such picture.');
  return asset;
}
