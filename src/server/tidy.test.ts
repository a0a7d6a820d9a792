import { existsSync, mkdirSync, mkdtempSync, readdirSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { randomUUID } from 'node:crypto';
import { BIN_DAYS, EXPORTS_KEPT } from '@/contract';
import { addUnderlay, fittedUnderlay } from '@/core/document';
import { assetPath, storeBytes } from './assets';
import { dataFolder } from './data-folder';
import { closeConnection, models } from './database';
import { createPiece, savePiece } from './pieces';
import { checkedDocument, openOwnDatabase, freshPiece, smallPiece } from './testing';
import { holdings, tidy } from './tidy';

const folder = mkdtempSync(join(tmpdir(), 'obelus-tidy-'));
process.env.OBELUS_DATA = folder;
beforeAll(openOwnDatabase);
afterAll(closeConnection);

const DAY = 24 * 60 * 60 * 1000;
const ago = (days: number): Date => new Date(Date.now() - days * DAY);

/** A file that was last written so long ago. */
function oldFile(path: string, days: number): void {
  mkdirSync(join(path, '..'), { recursive: true });
  writeFileSync(path, 'x');
  utimesSync(path, ago(days), ago(days));
}

const stored = async (text: string, days: number): Promise<string> => {
  const { hash } = await storeBytes(Buffer.from(text), 'image/png');
  await models().assets.update({ createdAt: ago(days) }, { where: { hash } });
  return hash;
};

test('bytes that are taken in once more have their time again before they go', async () => {
  await freshPiece();
  const hash = await stored('once more', 100);
  await storeBytes(Buffer.from('once more'), 'image/png');
  await tidy();
  expect([existsSync(assetPath(hash)), await models().assets.count({ where: { hash } })]).toEqual([true, 1]);
});

test('what nothing names goes after its time, what any revision, export or face names stays', async () => {
  const { id } = await freshPiece();
  const [named, loose, young] = [
    await stored('named', 100),
    await stored('loose', 100),
    await stored('young', 1),
  ];
  const size = { width: 10, height: 10 };
  const under = addUnderlay(smallPiece(), {
    id: 'u',
    name: 'U',
    hidden: false,
    locked: false,
    asset: named,
    ...size,
    ...fittedUnderlay(smallPiece().size, size),
    opacity: 1,
  });
  await savePiece(id, { baseRevision: 1, session: 's', document: await checkedDocument(under) });
  // Only the history names it now.
  await savePiece(id, { baseRevision: 2, session: 't', document: await checkedDocument(smallPiece()) });
  const row = (await models().pieces.findByPk(id))!;
  const exported = async (days: number, place: number) => {
    const hash = await stored(`export ${place}`, days);
    await models().exports.create({
      id: randomUUID(),
      pieceId: id,
      revision: 1,
      document: row.document,
      settings: { format: 'webm', scale: 1, first: 0, last: 1 },
      status: 'done',
      framesTotal: 2,
      fileName: 'x.webm',
      assetHash: hash,
      createdAt: ago(days),
    });
    return hash;
  };
  const all = [];
  for (let i = 0; i < EXPORTS_KEPT.newest + 3; i++) all.push(await exported(EXPORTS_KEPT.days + 1 + i, i));
  oldFile(join(folder, 'rendering', 'killed'), 1);
  oldFile(join(folder, 'incoming', 'half'), 1);
  oldFile(join(folder, 'thumbnails', `${randomUUID()}-3.png`), 1);
  oldFile(join(folder, 'thumbnails', `${id}-3.png`), 1);
  oldFile(join(folder, 'assets', 'ab', 'abandoned'), 30);

  const gone = await tidy();
  expect(gone).toMatchObject({ unfinished: 2, exports: 3, thumbnails: 1 });
  expect(existsSync(assetPath(named))).toBe(true);
  expect(existsSync(assetPath(young))).toBe(true);
  expect(existsSync(assetPath(loose))).toBe(false);
  // The newest few of a piece stay, however old.
  expect(all.map((hash) => existsSync(assetPath(hash)))).toEqual([
    ...Array(EXPORTS_KEPT.newest).fill(true),
    ...Array(3).fill(false),
  ]);
  expect(readdirSync(join(folder, 'rendering'))).toEqual([]);
  expect(existsSync(join(folder, 'assets', 'ab', 'abandoned'))).toBe(false);
  expect(readdirSync(join(folder, 'thumbnails'))).toEqual([`${id}-3.png`]);
  expect(await holdings()).toMatch(/holds \d+ projects, \d+ pieces in \d+ revisions, \d+ exports: \d+ MB/);
  expect(await tidy()).toEqual({ unfinished: 0, exports: 0, binned: 0, assets: 0, thumbnails: 0 });
});

test('what was deleted goes from the bin after its time, but where an export of it is kept for good', async () => {
  const { pieces, exports, projects } = models();
  const [old, kept, young] = [await freshPiece(), await freshPiece(), await freshPiece()];
  await exports.create({
    id: randomUUID(),
    pieceId: kept.id,
    revision: 1,
    document: smallPiece(),
    settings: { format: 'webm', scale: 1, first: 0, last: 1 },
    status: 'done',
    framesTotal: 2,
    fileName: 'kept.webm',
    assetHash: await stored('kept', 1),
    kept: true,
  });
  for (const { id } of [old, kept, young]) await pieces.destroy({ where: { id } });
  const aged = ago(BIN_DAYS + 1);
  await pieces.update({ deletedAt: aged }, { where: { id: [old.id, kept.id] }, paranoid: false });
  const gone = randomUUID();
  await projects.create({ id: gone, name: 'Gone' });
  const within = await createPiece(gone, await checkedDocument(smallPiece()));
  await projects.destroy({ where: { id: gone } });
  await projects.update({ deletedAt: aged }, { where: { id: gone }, paranoid: false });
  expect(await tidy()).toMatchObject({ binned: 2 });
  const left = async (id: string) => pieces.count({ where: { id }, paranoid: false });
  expect(await Promise.all([old, kept, young, within].map(({ id }) => left(id)))).toEqual([0, 1, 1, 0]);
  expect(await projects.count({ where: { id: gone }, paranoid: false })).toBe(0);
});

test('parts of an export stay until they are joined, however long that takes; others that were left lying go', async () => {
  const { id } = await freshPiece();
  const [making, gone] = [randomUUID(), randomUUID()];
  await models().exports.create({
    id: making,
    pieceId: id,
    revision: 1,
    document: smallPiece(),
    settings: { format: 'webm', scale: 1, first: 0, last: 11 },
    status: 'running',
    framesTotal: 12,
    fileName: 'x.webm',
  });
  await models().exportParts.create({ exportId: making, number: 0, first: 0, frames: 12, status: 'done' });
  const files = [
    `${making}.parts`,
    `${making}.0.${randomUUID()}`,
    `${gone}.parts`,
    `${gone}.0.${randomUUID()}`,
  ].map((name) => dataFolder('rendering', name));
  for (const file of files) oldFile(file, 1);
  await tidy();
  expect(files.map((file) => existsSync(file))).toEqual([true, true, false, false]);
});
