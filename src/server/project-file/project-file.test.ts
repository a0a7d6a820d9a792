import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import {
  addLayers,
  addUnderlay,
  fittedUnderlay,
  newLettering,
  type Nested,
  type Piece,
} from '@/core/document';
import { closeConnection, models } from '../database';
import { addFace, setLettering } from '../lettering';
import { storePicture } from '../pictures';
import { createPiece, listRevisions, openPiece } from '../pieces';
import { addShelfItem, readShelf } from '../shelf';
import { checkedDocument, openOwnDatabase, freshProject, smallPiece } from '../testing';
import { withBytes } from '../http';
import * as files from '.';

const opened = (bytes: Uint8Array, into?: string, key: string | null = null) =>
  withBytes(bytes, (upload) => files.openProjectFile(upload, into, key));
const fetched = async (file: Awaited<ReturnType<typeof files.saveProject>>) => ({
  ...file,
  bytes: new Uint8Array(await new Response(file.stream).arrayBuffer()),
});
const saveProject = async (id: string) => fetched(await files.saveProject(id));
const savePieceFile = async (id: string) => fetched(await files.savePieceFile(id));

const folder = mkdtempSync(join(tmpdir(), 'obelus-files-'));
process.env.OBELUS_DATA = folder;
beforeAll(openOwnDatabase);
afterAll(async () => {
  await closeConnection();
  rmSync(folder, { recursive: true, force: true });
});

const SVG =
  '<svg xmlns="http://www.w3.org/2000/svg" width="40" height="20"><rect width="30" height="10" fill="#43b3a0"/></svg>';
const FONT = readFileSync(
  resolve('node_modules/@expo-google-fonts/quicksand/400Regular/Quicksand_400Regular.ttf'),
);

/** A project with a picture, a face of its own, something on its shelf, and a piece within a piece. */
async function richProject() {
  const project = await freshProject();
  const picture = await withBytes(Buffer.from(SVG), storePicture);
  const face = await withBytes(FONT, (upload) => addFace(project, upload, 'Own'));
  const item = { kind: 'style', name: 'Reed ink', content: JSON.stringify(strokeInk()) } as const;
  const style = JSON.parse(await addShelfItem(project, item)) as { id: string };
  const inner = await createPiece(project, await checkedDocument(smallPiece('Inner')));
  const setting = {
    text: 'Tide',
    face: { id: face.id, weight: 400 },
    size: 40,
    tracking: 0,
    leading: 1.2,
    align: 'left',
  } as const;
  const set = await setLettering(setting);
  const outer: Piece = addUnderlay(
    addLayers(
      { ...smallPiece('Outer'), styles: [{ id: 's', name: 'Reed ink', ink: strokeInk(), shelf: style.id }] },
      [newLettering('t', 'Tide', setting, set, { x: 10, y: 60 }), nested(inner.id)],
    ),
    {
      ...{ id: 'u', name: 'Plan', hidden: false, locked: true, opacity: 1, asset: picture.hash },
      ...{ width: picture.width, height: picture.height },
      ...fittedUnderlay({ width: 320, height: 180 }, picture),
    },
  );
  const { id } = await createPiece(project, await checkedDocument(outer));
  return { project, id, inner: inner.id, style: style.id, picture: picture.hash, face: face.id.slice(4) };
}
const strokeInk = () =>
  smallPiece().layers.flatMap((layer) => (layer.type === 'stroke' ? [layer.ink] : []))[0]!;
/** A copy of a piece within another. */
const nested = (piece: string): Nested => ({
  ...{ type: 'piece', id: 'n', name: 'Inner', hidden: false, locked: false, opacity: 1 },
  ...{ from: { piece, revision: 1 }, start: 0, after: 'nothing', content: smallPiece('Inner') },
});
const documents = async (projectId: string) =>
  (await models().pieces.findAll({ where: { projectId }, order: [['createdAt', 'ASC']] })).map((row) => row);

test('a project leaves as one file and is opened under new ids, with pictures, faces, shelf and what names what', async () => {
  const rich = await richProject();
  const { bytes, fileName } = await saveProject(rich.project);
  expect(fileName).toMatch(/^Test .*\.obelus$/);
  expect(Object.keys(unzipSync(bytes)).sort()).toEqual(
    ['project.json', 'pieces/1.json', 'pieces/2.json', `files/${rich.picture}`, `files/${rich.face}`].sort(),
  );
  const project = await opened(bytes);
  expect(project.pieces).toBe(2);
  const [before, after] = [await documents(rich.project), await documents(project.id)];
  expect(after.map((row) => row.document.name).sort()).toEqual(['Inner', 'Outer']);
  expect(new Set([...before, ...after].map((row) => row.id)).size).toBe(4);
  const inner = after.find((row) => row.document.name === 'Inner')!;
  const outer = after.find((row) => row.document.name === 'Outer')!;
  const { items } = await readShelf(project.id);
  expect(items.map(({ name }) => name)).toEqual(['Reed ink']);
  // What names a piece or something of the shelf names the new one; all else is as it was.
  const original = before.find((row) => row.document.name === 'Outer')!.document;
  const expected = JSON.stringify(original)
    .replaceAll(rich.inner, inner.id)
    .replaceAll(rich.style, items[0]!.id);
  expect(outer.document).toEqual(JSON.parse(expected));
  expect(
    (await models().faces.findAll({ where: { projectId: project.id } })).map((row) => row.assetHash),
  ).toEqual([rich.face]);
  expect(JSON.parse(await openPiece(outer.id)).revision).toBe(1);
  expect(await listRevisions(outer.id)).toHaveLength(1);
  // The same project is the same file.
  expect(Buffer.compare((await saveProject(rich.project)).bytes, bytes)).toBe(0);
});

test('one piece leaves with no more than it needs, and is opened within another project', async () => {
  const rich = await richProject();
  const { bytes } = await savePieceFile(rich.inner);
  expect(Object.keys(unzipSync(bytes)).sort()).toEqual(['pieces/1.json', 'project.json']);
  const other = await freshProject();
  await opened(bytes, other);
  expect((await documents(other)).map((row) => row.document.name)).toEqual(['Inner']);
  await expect(opened(bytes, '00000000-0000-4000-8000-000000000000')).rejects.toMatchObject({
    status: 404,
  });
});

test('what is damaged, hostile, cut short or no project file is refused in words, and nothing is taken in', async () => {
  const rich = await richProject();
  const { bytes } = await saveProject(rich.project);
  const entries = unzipSync(bytes);
  const manifest = JSON.parse(strFromU8(entries['project.json']!));
  const with_ = (changes: Record<string, Uint8Array | null>) => {
    const all = { ...entries, ...changes };
    return zipSync(
      Object.fromEntries(Object.entries(all).filter(([, value]) => value !== null)) as Record<
        string,
        Uint8Array
      >,
    );
  };
  const json = (value: unknown) => strToU8(JSON.stringify(value));
  const picture = `files/${rich.picture}`;
  /** An archive whose one entry unfolds to 8 MB and says that it is of another size (APPNOTE 4.3.12). */
  const bomb = (says: number) => {
    const zip = Buffer.from(zipSync({ 'project.json': new Uint8Array(8 * 1024 * 1024) }, { level: 9 }));
    zip.writeUInt32LE(says, zip.indexOf('PK\x01\x02') + 24);
    return zip;
  };
  const count = await models().projects.count();
  for (const [file, words] of [
    [new Uint8Array(0), /no project file/],
    [strToU8('hello'), /no project file/],
    [bytes.slice(0, bytes.length / 2), /no project file, or only a part/],
    [zipSync({ '../../etc/passwd': strToU8('x') }), /no project file/],
    [with_({ 'pieces/x.json': strToU8('{}') }), /which no project file does/],
    [bomb(600 * 1024 * 1024), /unfolds to more than/],
    [bomb(10), /project\.json is damaged|no project file/],
    [with_({ [picture]: strToU8('other') }), /is damaged/],
    [with_({ [picture]: null }), /is missing/],
    [with_({ 'pieces/2.json': null }), /pieces\/2\.json is missing/],
    [with_({ 'pieces/1.json': strToU8('{"half":') }), /pieces\/1\.json is damaged/],
    [with_({ 'pieces/1.json': json({ schemaVersion: 2, name: 'x' }) }), /piece 1 has a fault at/],
    [with_({ 'project.json': json({ ...manifest, version: 9 }) }), /fault at version/],
    [
      with_({ 'project.json': json({ ...manifest, shelf: [{ ...manifest.shelf[0], content: 3 }] }) }),
      /on its shelf is damaged/,
    ],
  ] as const) {
    await expect(opened(file)).rejects.toThrow(words);
    await expect(opened(file)).rejects.toMatchObject({
      status: 422,
      message: expect.stringContaining('Nothing was changed'),
    });
  }
  expect(await models().projects.count()).toBe(count);
});

test('what fails half-way leaves nothing: neither project nor pieces nor files', async () => {
  const rich = await richProject();
  const { bytes } = await saveProject(rich.project);
  const { projects, pieces, assets, faces, shelf } = models();
  const counts = () =>
    Promise.all([projects.count(), pieces.count(), assets.count(), faces.count(), shelf.count()]);
  // As on another machine: the files are not there yet.
  await models().database.query('DELETE FROM project_faces');
  await assets.destroy({ where: { hash: [rich.picture, rich.face] } });
  const placeOf = (hash: string) => join(folder, 'assets', hash.slice(0, 2));
  for (const hash of [rich.picture, rich.face]) rmSync(placeOf(hash), { recursive: true });
  const before = await counts();
  // The last of its files can't be put where it belongs.
  writeFileSync(placeOf(rich.face), 'in the way');
  await expect(opened(bytes)).rejects.toThrow();
  expect(await counts()).toEqual(before);
  expect(existsSync(join(placeOf(rich.picture), rich.picture))).toBe(false);
  rmSync(placeOf(rich.face));
  expect((await opened(bytes)).pieces).toBe(2);
  expect(existsSync(join(placeOf(rich.picture), rich.picture))).toBe(true);
  expect(readdirSync(join(folder, 'incoming'))).toEqual([]);
});

test('a file that is sent twice with one key, even at the same time, is opened once', async () => {
  const rich = await richProject();
  const { bytes } = await saveProject(rich.project);
  const count = await models().projects.count();
  const both = await Promise.all([
    opened(bytes, undefined, 'POST a-key'),
    opened(bytes, undefined, 'POST a-key'),
  ]);
  expect(both[1]).toEqual(both[0]);
  expect(await opened(bytes, undefined, 'POST a-key')).toEqual(both[0]);
  expect(await models().projects.count()).toBe(count + 1);
  expect((await opened(bytes, undefined, 'POST another')).id).not.toBe(both[0].id);
});
