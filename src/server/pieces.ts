import { randomUUID } from 'node:crypto';
import { QueryTypes, type Transaction } from 'sequelize';
import type { RevisionSummary } from '@/contract';
import { freeName } from '@/core/document';
import { models } from './database';
import {
  appendRevision,
  checked,
  documentAt,
  documentOf,
  insertPiece,
  noPiece,
  patched,
  standing,
  unfit,
  type CheckedDocument,
} from './documents';
import { HttpError } from './http';
import { once } from './once';
import { makeThumbnailAhead } from './thumbnail';

const NO_PROJECT = 'There is no such project; it may have been deleted. Nothing was changed.';

/** A piece for the editor, as JSON: how it stands, and its document. */
export async function openPiece(id: string): Promise<string> {
  const { document, projectId, projectName, revision, savedBy } = await documentOf(id);
  const facts = JSON.stringify({ id, projectId, projectName, revision, savedBy });
  return `${facts.slice(0, -1)},"document":${document.text}}`;
}

/** The revision a piece stands at: what other windows ask to learn of changes. */
export const pieceRevision = async (id: string): Promise<{ revision: number }> => ({
  revision: (await standing(id)).revision,
});

const needProject = async (id: string, transaction: Transaction): Promise<void> => {
  if (!(await models().projects.findByPk(id, { transaction }))) throw new HttpError(404, NO_PROJECT);
};

interface Made {
  readonly id: string;
  readonly revision: number;
}

/** @param key of the request, so that one that is sent again makes no second piece. */
export async function createPiece(
  projectId: string,
  document: CheckedDocument,
  key: string | null = null,
): Promise<Made> {
  const made = await once(key, async (transaction) => {
    const id = randomUUID();
    await needProject(projectId, transaction);
    await insertPiece({ id, projectId, document, session: 'created' }, transaction);
    return { id, revision: 1 };
  });
  makeThumbnailAhead(made.id);
  return made;
}

/** What a save was answered: the revision it made, and what that holds. */
interface Saved {
  readonly revision: number;
  readonly hash: string;
}

/**
 * Saves a piece over the revision it was based on. A stale save is refused with 409 and changes nothing: the sender
 * still has its side, the database the other. The same save sent again by the same session is answered as the first was.
 */
export async function savePiece(
  id: string,
  save: {
    readonly baseRevision: number;
    readonly session: string;
    readonly document: CheckedDocument;
  },
): Promise<Saved> {
  const { baseRevision, session, document } = save;
  const { hash } = document;
  const saved = await models().database.transaction(async (transaction) => {
    const now = await standing(id, transaction);
    // The answer to this very save was lost on its way: it is done already.
    if (now.revision === baseRevision + 1 && now.savedBy === session && now.hash === hash)
      return { revision: now.revision, hash };
    if (now.revision !== baseRevision) {
      throw new HttpError(
        409,
        `This piece was changed elsewhere: it stands at revision ${now.revision}, your work is based on ${baseRevision}. Both are kept.`,
        { revision: now.revision },
      );
    }
    return { revision: await appendRevision(id, now.revision, document, { session }, transaction), hash };
  });
  makeThumbnailAhead(id);
  return saved;
}

/**
 * Saves what changed of a piece since the revision it was based on, under the rule of `savePiece`. A patch names the document that it
 * was made against, and the one that it makes, by their hashes: where either is another it is refused, and nothing is changed.
 */
export async function patchPiece(
  id: string,
  save: {
    readonly baseRevision: number;
    readonly session: string;
    readonly from: string;
    readonly makes: string;
    readonly patch: string;
  },
): Promise<Saved> {
  const { baseRevision, session, from, makes, patch } = save;
  await standing(id);
  const base = await documentAt(id, baseRevision);
  if (!base || base.hash !== from) throw unfit();
  return savePiece(id, { baseRevision, session, document: await patched(base.text, patch, makes) });
}

const namesIn = async (projectId: string): Promise<Set<string>> => {
  const pieces = await models().database.query<{ name: string }>(
    'SELECT name FROM pieces WHERE project_id = :projectId AND deleted_at IS NULL',
    { type: QueryTypes.SELECT, replacements: { projectId } },
  );
  return new Set(pieces.map((piece) => piece.name));
};

/** A project that takes something in, with the faces that a document of another one is set in. */
async function takeFaces(
  { text }: CheckedDocument,
  from: string,
  to: string,
  transaction: Transaction,
): Promise<void> {
  const { faces } = models();
  await needProject(to, transaction);
  for (const { assetHash, name, weightMin, weightMax } of await faces.findAll({
    where: { projectId: from },
    transaction,
  })) {
    if (!text.includes(`own:${assetHash}`)) continue;
    await faces.findOrCreate({
      where: { projectId: to, assetHash },
      defaults: { projectId: to, assetHash, name, weightMin, weightMax },
      transaction,
    });
  }
}

/** A document of another name; the rest of it is as it was checked. */
const renamed = (document: CheckedDocument, name: string): Promise<CheckedDocument> =>
  checked(JSON.stringify({ ...(JSON.parse(document.text) as object), name }));

/** Puts a copy beside a piece, or into another project, under a name that is free there: all of it or nothing. */
export async function duplicatePiece(
  id: string,
  to: string | null = null,
  key: string | null = null,
): Promise<Made> {
  const { projectId: from, name, document } = await documentOf(id);
  const projectId = to ?? from;
  const taken = await namesIn(projectId);
  const copy = taken.has(name) ? await renamed(document, freeName(name, taken)) : document;
  const made = await once(key, async (transaction) => {
    if (projectId === from) await needProject(projectId, transaction);
    else await takeFaces(document, from, projectId, transaction);
    const copyId = randomUUID();
    await insertPiece({ id: copyId, projectId, document: copy, session: 'created' }, transaction);
    return { id: copyId, revision: 1 };
  });
  makeThumbnailAhead(made.id);
  return made;
}

/** Moves a piece into another project. It keeps its name, its history and its exports. */
export async function movePiece(id: string, to: string): Promise<void> {
  const { projectId, document } = await documentOf(id);
  if (to === projectId) return;
  await models().database.transaction(async (transaction) => {
    await takeFaces(document, projectId, to, transaction);
    const [moved] = await models().pieces.update({ projectId: to }, { where: { id }, transaction });
    if (moved === 0) throw noPiece();
  });
}

/** Puts a piece aside; it can be brought back. */
export async function deletePiece(id: string): Promise<void> {
  if ((await models().pieces.destroy({ where: { id } })) === 0) throw noPiece();
}

export async function undeletePiece(id: string): Promise<void> {
  const [found] = await models().database.query(
    'UPDATE pieces SET deleted_at = NULL WHERE id = $1 RETURNING id',
    { type: QueryTypes.SELECT, bind: [id] },
  );
  if (!found) throw new HttpError(404, 'There is no such piece.');
}

/** The history of a piece, newest first. */
export async function listRevisions(id: string): Promise<RevisionSummary[]> {
  await standing(id);
  const rows = await models().revisions.findAll({
    where: { pieceId: id },
    attributes: ['revision', 'createdAt', 'note'],
    order: [['revision', 'DESC']],
    limit: 500,
  });
  return rows.map((row) => ({
    revision: row.revision,
    createdAt: row.createdAt.toISOString(),
    note: row.note,
  }));
}

async function needRevision(id: string, revision: number): Promise<CheckedDocument> {
  await standing(id);
  const document = await documentAt(id, revision);
  if (!document) throw new HttpError(404, `The history holds no revision ${revision} of this piece.`);
  return document;
}

/** A piece as it was at a revision, as JSON. */
export async function readRevision(id: string, revision: number): Promise<string> {
  const { text } = await needRevision(id, revision);
  return `{"revision":${revision},"document":${text}}`;
}

/** Makes an older revision the newest one; what stood there before stays in the history. */
export async function restoreRevision(id: string, revision: number): Promise<{ revision: number }> {
  const document = await needRevision(id, revision);
  const how = { session: 'restored', note: `Restored from revision ${revision}` };
  const restored = await models().database.transaction(async (transaction) => {
    const now = await standing(id, transaction);
    return { revision: await appendRevision(id, now.revision, document, how, transaction) };
  });
  makeThumbnailAhead(id);
  return restored;
}
