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

/** Takes a finished file in under its SHA-256; the file is moved, and the same bytes are kept once. */
export async function adoptFile(path: string, mediaType: string): Promise<AssetRow> {
  const hasher = createHash('sha256');
  await pipeline(createReadStream(path), hasher);
  const hash = hasher.digest('hex');
  const { size } = await stat(path);
  const home = assetPath(hash);
  await mkdir(dirname(home), { recursive: true });
  await rename(path, home);
  const [row, isNew] = await models().assets.findOrCreate({
    where: { hash },
    defaults: { hash, size, mediaType },
  });
  // Taken in once more it is as new: what is about to name it has its time again before it is tidied away.
  if (!isNew) await models().assets.update({ createdAt: new Date() }, { where: { hash } });
  return row;
}

/**
 * Puts a file whose hash is known among the assets, as a part of a transaction.
 * @returns whether it was not there before: where the transaction fails it is to be taken away.
 */
export async function placeFile(
  file: { readonly path: string } & Pick<AssetRow, 'hash' | 'size' | 'mediaType'>,
  transaction: Transaction,
): Promise<boolean> {
  const { path, hash, size, mediaType } = file;
  const home = assetPath(hash);
  const isNew = !(await stat(home).catch(() => null));
  await mkdir(dirname(home), { recursive: true });
  if (isNew) await rename(path, home);
  // Taken in once more it is as new: what is about to name it has its time again before it is tidied away.
  await models().database.query(
    `INSERT INTO assets (hash, size, media_type, created_at) VALUES ($1, $2, $3, now())
     ON CONFLICT (hash) DO UPDATE SET created_at = now()`,
    { bind: [hash, size, mediaType], transaction },
  );
  return isNew;
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
  const gone = await models().database.query(
    `DELETE FROM assets WHERE hash = :hash
       AND NOT EXISTS (SELECT 1 FROM exports WHERE asset_hash = :hash OR strpos(document::text, :hash) > 0)
       AND NOT EXISTS (SELECT 1 FROM pieces WHERE strpos(document::text, :hash) > 0)
       AND NOT EXISTS (SELECT 1 FROM piece_revisions WHERE strpos(document::text, :hash) > 0)
       AND NOT EXISTS (SELECT 1 FROM shelf_items WHERE strpos(content::text, :hash) > 0)
       AND NOT EXISTS (SELECT 1 FROM project_faces WHERE asset_hash = :hash)
     RETURNING hash`,
    { type: QueryTypes.SELECT, replacements: { hash } },
  );
  if (gone.length > 0) await rm(assetPath(hash), { force: true });
}
