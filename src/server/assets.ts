import { createHash, randomUUID } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { mkdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import { dirname } from 'node:path';
import { QueryTypes, type Transaction } from 'sequelize';
import { pipeline } from 'node:stream/promises';
import { models, type AssetRow } from './database';
import { dataFolder } from './data-folder';
import { asDiskFull, needRoom } from './disk';

/** Where the bytes with this hash lie. */
export const assetPath = (hash: string): string => dataFolder('assets', hash.slice(0, 2), hash);

/** A finished file whose hash is known, to be moved among the assets. */
export type Placed = { readonly path: string } & Pick<AssetRow, 'hash' | 'size' | 'mediaType'>;

/**
 * Does work that places files, as a part of a transaction: where it fails the files it placed are taken away again. A file is placed
 * and taken away while its row is locked, so nobody else has come to count on it meanwhile; whoever places several does so in the
 * order of their hashes, or two could wait for one another.
 */
export async function placing<T>(
  transaction: Transaction,
  work: (place: (file: Placed) => Promise<void>) => Promise<T>,
): Promise<T> {
  const placed: string[] = [];
  try {
    return await work(async ({ path, hash, size, mediaType }) => {
      // Taken in once more it is as new: what is about to name it has its time again before it is tidied away.
      await models().database.query(
        `INSERT INTO assets (hash, size, media_type, created_at) VALUES ($1, $2, $3, now())
         ON CONFLICT (hash) DO UPDATE SET created_at = now()`,
        { bind: [hash, size, mediaType], transaction },
      );
      const home = assetPath(hash);
      if ((await stat(home).catch(() => null))?.size === size) return;
      await mkdir(dirname(home), { recursive: true });
      placed.push(home);
      await rename(path, home);
    });
  } catch (error) {
    for (const home of placed) await rm(home, { force: true });
    throw error;
  }
}

/** Takes a finished file in under its SHA-256; the file is moved, and the same bytes are kept once. */
export async function adoptFile(path: string, mediaType: string): Promise<AssetRow> {
  const hasher = createHash('sha256');
  await pipeline(createReadStream(path), hasher);
  const hash = hasher.digest('hex');
  const { size } = await stat(path);
  await models().database.transaction((transaction) =>
    placing(transaction, (place) => place({ path, hash, size, mediaType })),
  );
  await rm(path, { force: true });
  return (await models().assets.findByPk(hash))!;
}

/** Takes bytes in under their SHA-256. */
export async function storeBytes(bytes: Uint8Array, mediaType: string): Promise<AssetRow> {
  const folder = dataFolder('incoming');
  await mkdir(folder, { recursive: true });
  const path = dataFolder('incoming', randomUUID());
  try {
    await needRoom(folder, bytes.length);
    await writeFile(path, bytes);
    return await adoptFile(path, mediaType);
  } catch (error) {
    await rm(path, { force: true });
    throw asDiskFull(error);
  }
}

/** The bytes of an asset; null where it is not known or its file is gone. */
export async function readAsset(hash: string): Promise<{ bytes: Buffer; mediaType: string } | null> {
  const row = await models().assets.findByPk(hash);
  const bytes = row && (await readFile(assetPath(hash)).catch(() => null));
  return row && bytes ? { bytes, mediaType: row.mediaType } : null;
}

/** Takes an asset away at once, unless an export, a document, a face or something on a shelf names it. */
export async function removeUnnamedAsset(hash: string): Promise<void> {
  await models().database.transaction(async (transaction) => {
    const gone = await models().database.query(
      `DELETE FROM assets WHERE hash = :hash
       AND NOT EXISTS (SELECT 1 FROM exports WHERE asset_hash = :hash OR strpos(document::text, :hash) > 0)
       AND NOT EXISTS (SELECT 1 FROM pieces WHERE strpos(document::text, :hash) > 0)
       AND NOT EXISTS (SELECT 1 FROM piece_revisions WHERE strpos(document::text, :hash) > 0)
       AND NOT EXISTS (SELECT 1 FROM shelf_items WHERE strpos(content::text, :hash) > 0)
       AND NOT EXISTS (SELECT 1 FROM project_faces WHERE asset_hash = :hash)
     RETURNING hash`,
      { type: QueryTypes.SELECT, replacements: { hash }, transaction },
    );
    // While its row is locked, so that whoever takes it in once more places it anew.
    if (gone.length > 0) await rm(assetPath(hash), { force: true });
  });
}
