import type { FaceSummary } from '@/contract';
import { cutName } from '@/core/document';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { SetText, TextSetting } from '@/core/document';
import {
  featuresFor,
  formsFor,
  setAlong,
  setText,
  type LetterForm,
  type TextFeature,
} from '@/core/lettering';
import type { Transaction } from 'sequelize';
import { adoptFile, assetPath, readAsset } from '../assets';
import { models } from '../database';
import { Refused, runHeavy } from '../heavy';
import { HttpError, type Upload } from '../http';
import { isUnpacked, readFontFile } from './font-file';
import type { FaceFacts, InspectedFace } from './inspect-face';
import { loadFace, type FaceAxis, type LoadedFace } from './harfbuzz';
import { SHIPPED_FACES, VARIABLE_FACES, type ShippedFace } from './shipped-faces';

export const FONT_BYTES = 30 * 1024 * 1024;
export const FONT_TYPE = 'font/sfnt';

/** The faces a project has: those that ship, and its own. */
export async function listFaces(projectId: string): Promise<FaceSummary[]> {
  const own = await models().faces.findAll({ where: { projectId }, order: [['createdAt', 'ASC']] });
  return [
    ...own.map((row): FaceSummary => ({
      id: `own:${row.assetHash}`,
      name: row.name,
      kind: 'own',
      weights: row.weightMin === null ? [400] : { min: row.weightMin, max: row.weightMax! },
      sample: row.name,
    })),
    ...SHIPPED_FACES.map(({ id, name, kind, weights, sample }): FaceSummary => ({
      id,
      name,
      kind,
      sample,
      weights: Object.keys(weights).map(Number),
    })),
    ...VARIABLE_FACES.map(({ id, name, kind, sample, weights }): FaceSummary => ({
      ...{ id, name, kind, sample, weights },
    })),
  ];
}

/** What can be said of a font file, read and shaped with once in a process of its own; refused in words where it can't be. */
const usableFace = (path: string, size: number): Promise<InspectedFace> =>
  runHeavy('face', { path }, { bytes: size }).catch((error: Error) => {
    if (!(error instanceof Refused)) throw error;
    throw new HttpError(
      422,
      `This font can’t be used: ${error.message.replace(/\.?$/, '.')} Nothing was changed.`,
    );
  });

/** Notes a face as one of a project's own. Its file is among the assets. */
export async function noteFace(
  projectId: string,
  assetHash: string,
  name: string,
  { weights }: FaceFacts,
  transaction?: Transaction,
): Promise<void> {
  const [weightMin, weightMax] = weights ? [weights.min, weights.max] : [null, null];
  await models().faces.findOrCreate({
    where: { projectId, assetHash },
    defaults: { projectId, assetHash, name, weightMin, weightMax },
    ...(transaction && { transaction }),
  });
}

/** What a face is called: as it calls itself, or its file was called. */
export const nameOfFace = (face: FaceFacts, fallback: string): string =>
  cutName(face.name || fallback, undefined, 'Own face');

/** Takes a font file of the user's into a project, once it has been read and shaped something. */
export async function addFace(
  projectId: string,
  { path, size }: Upload,
  fallbackName: string,
): Promise<FaceSummary> {
  if (!(await models().projects.findByPk(projectId))) {
    throw new HttpError(404, 'There is no such project; it may have been deleted.');
  }
  const face = await usableFace(path, size);
  const { hash } = await adoptFile(path, FONT_TYPE);
  const name = nameOfFace(face, fallbackName);
  await noteFace(projectId, hash, name, face);
  return { id: `own:${hash}`, name, kind: 'own', weights: face.weights ?? [400], sample: name };
}

export async function removeFace(projectId: string, hash: string): Promise<void> {
  if ((await models().faces.destroy({ where: { projectId, assetHash: hash } })) === 0) {
    throw new HttpError(404, 'The project has no such face.');
  }
}

/** A file of a package. Not resolved as a module: index files of fonts ask for them in a way only a bundler understands. */
const packaged = (file: string): Promise<Buffer> =>
  readFile(join(/* turbopackIgnore: true */ process.cwd(), 'node_modules', file));

/** The file of a shipped face at the weight nearest to the one asked for. */
async function shippedFile(face: ShippedFace, weight: number): Promise<Uint8Array> {
  const nearest = Object.keys(face.weights)
    .map(Number)
    .reduce((a, b) => (Math.abs(b - weight) < Math.abs(a - weight) ? b : a));
  const folder = face.weights[nearest]!;
  const file = `${face.name.replaceAll(' ', '')}_${folder}.ttf`;
  return packaged(join('@expo-google-fonts', face.id, folder, file));
}

/** What was asked for lately, by a name: it is got once, and again where getting it failed. */
function keeping<T>(most: number): (name: string, get: () => Promise<T>) => Promise<T> {
  const all = new Map<string, Promise<T>>();
  return (name, get) => {
    let one = all.get(name);
    if (!one) {
      one = get();
      one.catch(() => all.delete(name));
      if (all.size >= most) all.delete(all.keys().next().value!);
      all.set(name, one);
    }
    return one;
  };
}

const loaded = keeping<LoadedFace>(96);
/** Files of faces as they are read: one is shaped with at many places of its axes. */
const files = keeping<Uint8Array>(8);

/** A face ready to shape; the last few stay loaded. */
export const faceFor = ({ id, weight, axes }: Omit<TextSetting['face'], 'along'>): Promise<LoadedFace> =>
  loaded(`${id} ${weight} ${axes ? JSON.stringify(axes) : ''}`, () => load(id, weight, axes));

async function load(id: string, weight: number, axes: TextSetting['face']['axes']): Promise<LoadedFace> {
  const shipped = SHIPPED_FACES.find((face) => face.id === id);
  if (shipped) return loadFace(await shippedFile(shipped, weight), weight);
  const variable = VARIABLE_FACES.find((face) => face.id === id);
  if (variable) {
    const file = await files(id, async () => readFontFile(await packaged(variable.file)));
    return loadFace(file, weight, axes);
  }
  return loadFace(await files(id, () => ownFile(id)), weight, axes);
}

/** The file of a face of the project's own. */
async function ownFile(id: string): Promise<Uint8Array> {
  const asset = id.startsWith('own:') ? await readAsset(id.slice(4)) : null;
  if (!asset || !asset.mediaType.startsWith('font/')) {
    throw new HttpError(
      404,
      'This face is not here any more. The lettering keeps its shapes; choose another face to change it.',
    );
  }
  // What unpacking takes was within bounds when the file came; it holds up nobody all the same.
  if (isUnpacked(asset.bytes)) return asset.bytes;
  return (await runHeavy('face', { path: assetPath(id.slice(4)) }, { bytes: asset.bytes.length })).font;
}

/** The features of its face that make a difference to a text. */
export const featuresOfSetting = async (setting: TextSetting): Promise<TextFeature[]> =>
  featuresFor(setting, await faceFor(setting.face));

/** The axes of its face, besides that of weight. */
export const axesOfSetting = async ({ face }: TextSetting): Promise<readonly FaceAxis[]> =>
  (await faceFor(face)).axes;

/** The forms that its face has for the letter at a place of a text. */
export const formsOfLetter = async (setting: TextSetting, at: number): Promise<LetterForm[]> =>
  formsFor(setting, at, await faceFor(setting.face));

/** Where an axis of weight stands by itself (OpenType 1.9, wght: 400 is regular). */
const REGULAR = 400;

/** Shapes and places a text, all along the axes of its face that may be keyed. */
export async function setLettering(setting: TextSetting): Promise<SetText> {
  const { face } = setting;
  const loaded = await faceFor(face);
  const set = setText(setting, loaded);
  const axes = (face.along ?? []).flatMap((tag) => {
    if (tag === 'wght') return loaded.weights ? [{ tag, ...loaded.weights, initial: REGULAR }] : [];
    return loaded.axes.filter((axis) => axis.tag === tag);
  });
  if (axes.length === 0) return set;
  const along = await setAlong(axes, setting.size, async ({ wght = face.weight, ...places }) =>
    setText(setting, await faceFor({ ...face, weight: wght, axes: { ...face.axes, ...places } })),
  );
  return { ...set, along };
}
