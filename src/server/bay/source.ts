import { stat } from 'node:fs/promises';
import { assetPath } from '../assets';
import { models } from '../database';
import { dataFolder } from '../data-folder';
import { HttpError } from '../http';

/** What the edit bay keeps of a file: what was read of it, decoded frames, and the file where it came from outside. */
export const bayFolder = (hash: string, ...parts: string[]): string => dataFolder('bay', hash, ...parts);

/** Where the bytes of a received file lie: an export's among the assets, one from outside in the bay. Other assets are not given out. */
export async function sourceOf(hash: string): Promise<string> {
  const outside = bayFolder(hash, 'file');
  if (await stat(outside).catch(() => null)) return outside;
  const exported = await models().exports.findOne({ where: { assetHash: hash }, attributes: ['id'] });
  if (exported && (await stat(assetPath(hash)).catch(() => null))) return assetPath(hash);
  throw new HttpError(404, 'The edit bay does not have this file any more. Bring it again.');
}
