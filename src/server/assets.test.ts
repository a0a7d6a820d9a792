import { createHash, randomUUID } from 'node:crypto';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { assetPath, placing, removeUnnamedAsset, storeBytes } from './assets';
import { dataFolder } from './data-folder';
import { closeConnection, migrate, models } from './database';
import { openOwnDatabase } from './testing';

const folder = mkdtempSync(join(tmpdir(), 'obelus-assets-'));
process.env.OBELUS_DATA = folder;
beforeAll(async () => {
  await openOwnDatabase();
  await migrate();
});
afterAll(closeConnection);

/** A file of its own with these bytes, ready to be placed. */
function finished(bytes: string) {
  mkdirSync(dataFolder('incoming'), { recursive: true });
  const path = dataFolder('incoming', randomUUID());
  writeFileSync(path, bytes);
  return {
    path,
    hash: createHash('sha256').update(bytes).digest('hex'),
    size: bytes.length,
    mediaType: 'image/png',
  };
}
const isThere = async (hash: string): Promise<[boolean, number]> => [
  existsSync(assetPath(hash)),
  await models().assets.count({ where: { hash } }),
];

test('of two that place the same file at once one may fail: the file and its row are the other one’s', async () => {
  const [mine, theirs] = [finished('the same'), finished('the same')];
  let fail = (): void => {};
  let first!: Promise<void>;
  await new Promise<void>((placed) => {
    first = models().database.transaction((transaction) =>
      placing(transaction, async (place) => {
        await place(mine);
        await new Promise<void>((_, reject) => {
          fail = () => reject(new Error('half-way'));
          placed();
        });
      }),
    );
  });
  const second = models().database.transaction((transaction) =>
    placing(transaction, (place) => place(theirs)),
  );
  fail();
  await expect(first).rejects.toThrow('half-way');
  await second;
  expect(await isThere(mine.hash)).toEqual([true, 1]);
});

test('of what is taken in once more while it is taken away file and row stay together or go together', async () => {
  for (let round = 0; round < 20; round++) {
    const { hash } = await storeBytes(Buffer.from(`again ${round}`), 'image/png');
    await Promise.all([removeUnnamedAsset(hash), storeBytes(Buffer.from(`again ${round}`), 'image/png')]);
    const [file, rows] = await isThere(hash);
    expect([round, file, rows]).toEqual([round, rows === 1, rows]);
  }
});

test('a file of another size than its row says is put right when its bytes come again', async () => {
  const { hash } = await storeBytes(Buffer.from('whole'), 'image/png');
  writeFileSync(assetPath(hash), 'who');
  await storeBytes(Buffer.from('whole'), 'image/png');
  expect(await models().assets.count({ where: { hash } })).toBe(1);
  expect(readFileSync(assetPath(hash), 'utf8')).toBe('whole');
});
