import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { mkdir, rename, stat } from 'node:fs/promises';
import { dirname } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { models, type AssetRow } from './database';
import { dataFolder } from './data-folder';

/** Where the bytes with this hash lie. */
export const assetPath = (hash: string): string => dataFolder('assets', hash.slice(0, 2), hash);

/** Takes a finished file in under its SHA-256; the file is moved, and the same bytes are kept once. */
export async function adoptFile(path: string, mediaType: string): Promise<AssetRow> {
  const hasher = createHash('sha256');
  await pipeline(createReadStream(path), hasher);
  const hash = hasher.digest('hex');
  const { size } = await stat(path);
  const home = assetPath(hash);
  await mkdir(dirname(home), { recursive: true });
  await rename(path, home);
  const [row] = await models().assets.findOrCreate({ where: { hash }, defaults: { hash, size, mediaType } });
  return row;
}
