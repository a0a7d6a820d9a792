import { randomUUID } from 'node:crypto';
import { Op, QueryTypes, type Transaction } from 'sequelize';
import type { RevisionSummary } from '@/contract';
import { applyPatch } from 'rfc6902';
import { freeName, readPiece, sameValue, type PatchStep, type Piece } from '@/core/document';
import { models, type PieceRow } from './database';
import { HttpError } from './http';

const NO_PIECE = 'There is no such piece; it may have been deleted.';

/** Quick saves of one session within this time are kept as one entry of the history. */
const THIN_MS = 60_000;

/** Reads an untrusted document, or refuses it with the place of every fault. */
export function validDocument(data: unknown): Piece {
  const result = readPiece(data);
  if (result.ok) return result.piece;
  const first = result.faults[0]!;
  throw new HttpError(
    422,
    `The piece has a fault at ${first.path || 'its top'}: ${first.message}. What was saved before is untouched.`,
    { faults: result.faults },
  );
}

async function found(id: string, transaction?: Transaction): Promise<PieceRow> {
  const piece = await models().pieces.findByPk(id, transaction ? { transaction, lock: true } : {});
  if (!piece) throw new HttpError(404, NO_PIECE);
  return piece;
}

async function append(
  row: PieceRow,
  document: Piece,
  session: string,
  note: string | null,
  transaction: Transaction,
): Promise<number> {
  const { revisions } = models();
  const revision = row.revision + 1;
  const latest = await revisions.findOne({
    where: { pieceId: row.id, revision: row.revision },
    transaction,
  });
  const beforeThat = await revisions.findOne({
    where: { pieceId: row.id, revision: { [Op.lt]: row.revision } },
    order: [['revision', 'DESC']],
    transaction,
  });
  // The newest entry goes when this session made it, and made the one before it less than a minute earlier.
  const thin =
    latest?.session === session &&
    beforeThat?.session === session &&
    !latest.note &&
    !note &&
    Date.now() - beforeThat.createdAt.getTime() < THIN_MS;
  if (thin) await latest.destroy({ transaction });
  await row.update({ document, revision }, { transaction });
  await revisions.create({ pieceId: row.id, revision, document, session, note }, { transaction });
  return revision;
}

interface Standing {
  readonly projectId: string;
  readonly projectName: string;
  readonly revision: number;
  readonly savedBy: string;
}

/** How a piece stands, without its document. */
async function standing(id: string): Promise<Standing> {
  const [row] = await models().database.query<Standing>(
    `SELECT p.project_id AS "projectId", q.name AS "projectName", p.revision, coalesce(r.session, '') AS "savedBy"
       FROM pieces p JOIN projects q ON q.id = p.project_id
       LEFT JOIN piece_revisions r ON r.piece_id = p.id AND r.revision = p.revision
      WHERE p.id = :id AND p.deleted_at IS NULL`,
    { type: QueryTypes.SELECT, replacements: { id } },
  );
  if (!row) throw new HttpError(404, NO_PIECE);
  return row;
}

/** Checked documents as JSON, by piece and revision, most lately read last: a document of a revision never changes. */
const checked = new Map<string, string>();
/** Characters of them that are kept. */
const MOST_CHECKED = 32e6;

/** The document of a piece at its revision as JSON, checked once; null where it stands at another by now. */
async function checkedDocument(id: string, revision: number): Promise<string | null> {
  const key = `${id} ${revision}`;
  let json = checked.get(key);
  if (json === undefined) {
    const row = await found(id);
    if (row.revision !== revision) return null;
    json = JSON.stringify(validDocument(row.document));
  } else checked.delete(key);
  checked.set(key, json);
  let size = [...checked.values()].reduce((sum, text) => sum + text.length, 0);
  for (const [oldest, text] of checked) {
    if (size <= MOST_CHECKED) break;
    checked.delete(oldest);
    size -= text.length;
  }
  return json;
}

/** A piece for the editor, as JSON: how it stands, and its document. */
export async function openPiece(id: string): Promise<string> {
  for (;;) {
    const now = await standing(id);
    const document = await checkedDocument(id, now.revision);
    // Saved again between the two: a document never goes out under another one's revision.
    if (document !== null) return `${JSON.stringify({ id, ...now }).slice(0, -1)},"document":${document}}`;
  }
}

/** The revision a piece stands at: what other windows ask to learn of changes. */
export const pieceRevision = async (id: string): Promise<{ revision: number }> => ({
  revision: (await standing(id)).revision,
});

export async function createPiece(
  projectId: string,
  data: unknown,
): Promise<{ id: string; revision: number }> {
  const document = validDocument(data);
  const { database, projects, pieces, revisions } = models();
  const id = randomUUID();
  await database.transaction(async (transaction) => {
    if (!(await projects.findByPk(projectId, { transaction }))) {
      throw new HttpError(404, 'There is no such project; it may have been deleted.');
    }
    await pieces.create({ id, projectId, document, revision: 1 }, { transaction });
    await revisions.create({ pieceId: id, revision: 1, document, session: 'created' }, { transaction });
  });
  return { id, revision: 1 };
}

/**
 * Saves a piece over the revision it was based on. A stale save is refused with 409 and changes nothing: the sender
 * still has its side, the database the other. The same save sent again by the same session is answered as the first was.
 */
export async function savePiece(
  id: string,
  save: { baseRevision: number; document?: unknown; session: string },
): Promise<{ revision: number }> {
  const document = validDocument(save.document);
  return models().database.transaction(async (transaction) => {
    const row = await found(id, transaction);
    // The answer to this very save was lost on its way: it is done already.
    if (row.revision === save.baseRevision + 1 && sameValue(row.document, document)) {
      const latest = await models().revisions.findOne({
        where: { pieceId: id, revision: row.revision },
        transaction,
      });
      if (latest?.session === save.session) return { revision: row.revision };
    }
    if (row.revision !== save.baseRevision) {
      throw new HttpError(
        409,
        `This piece was changed elsewhere: it stands at revision ${row.revision}, your work is based on ${save.baseRevision}. Both are kept.`,
        { revision: row.revision },
      );
    }
    return { revision: await append(row, document, save.session, null, transaction) };
  });
}

/** The document of a revision; null where the history has it no more. */
async function documentAt(row: PieceRow, revision: number): Promise<Piece | null> {
  if (row.revision === revision) return row.document;
  const before = await models().revisions.findOne({ where: { pieceId: row.id, revision } });
  return before?.document ?? null;
}

/**
 * Saves what changed of a piece since the revision it was based on, under the rule of `savePiece`. A patch that does not fit
 * that revision is refused and changes nothing.
 */
export async function patchPiece(
  id: string,
  { baseRevision, session, patch }: { baseRevision: number; session: string; patch: readonly PatchStep[] },
): Promise<{ revision: number }> {
  const base = await documentAt(await found(id), baseRevision);
  const document = structuredClone(base);
  if (!document || applyPatch(document, [...patch]).some((error) => error !== null)) {
    throw new HttpError(422, 'What changed does not fit the piece as it was saved. Nothing was changed.', {
      unfit: true,
    });
  }
  return savePiece(id, { baseRevision, session, document });
}

const namesIn = async (projectId: string): Promise<Set<string>> => {
  const pieces = await models().database.query<{ name: string }>(
    'SELECT name FROM pieces WHERE project_id = :projectId AND deleted_at IS NULL',
    { type: QueryTypes.SELECT, replacements: { projectId } },
  );
  return new Set(pieces.map((piece) => piece.name));
};

/** A project that takes something in, with the faces that a document of another one is set in. */
async function takeFaces(document: Piece, from: string, to: string): Promise<void> {
  const { faces, projects } = models();
  if (!(await projects.findByPk(to)))
    throw new HttpError(404, 'There is no such project; it may have been deleted. Nothing was changed.');
  const text = JSON.stringify(document);
  for (const { assetHash, name, weightMin, weightMax } of await faces.findAll({
    where: { projectId: from },
  })) {
    if (!text.includes(`own:${assetHash}`)) continue;
    await faces.findOrCreate({
      where: { projectId: to, assetHash },
      defaults: { projectId: to, assetHash, name, weightMin, weightMax },
    });
  }
}

/** Puts a copy beside a piece, or into another project, under a name that is free there. */
export async function duplicatePiece(
  id: string,
  to: string | null = null,
): Promise<{ id: string; revision: number }> {
  const piece = await found(id);
  const project = to ?? piece.projectId;
  if (project !== piece.projectId) await takeFaces(piece.document, piece.projectId, project);
  const { document } = piece;
  const taken = await namesIn(project);
  const name = taken.has(document.name) ? freeName(document.name, taken) : document.name;
  return createPiece(project, { ...document, name });
}

/** Moves a piece into another project. It keeps its name, its history and its exports. */
export async function movePiece(id: string, to: string): Promise<void> {
  const piece = await found(id);
  if (to === piece.projectId) return;
  await takeFaces(piece.document, piece.projectId, to);
  await piece.update({ projectId: to });
}

/** Puts a piece aside; it can be brought back. */
export async function deletePiece(id: string): Promise<void> {
  await (await found(id)).destroy();
}

export async function undeletePiece(id: string): Promise<void> {
  const piece = await models().pieces.findByPk(id, { paranoid: false });
  if (!piece) throw new HttpError(404, 'There is no such piece.');
  await piece.restore();
}

/** The history of a piece, newest first. */
export async function listRevisions(id: string): Promise<RevisionSummary[]> {
  await found(id);
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

/** A piece as it was at a revision. */
export async function readRevision(
  id: string,
  revision: number,
): Promise<{ revision: number; document: Piece }> {
  await found(id);
  const old = await models().revisions.findOne({ where: { pieceId: id, revision } });
  if (!old) throw new HttpError(404, `The history holds no revision ${revision} of this piece.`);
  return { revision, document: validDocument(old.document) };
}

/** Makes an older revision the newest one; what stood there before stays in the history. */
export async function restoreRevision(id: string, revision: number): Promise<{ revision: number }> {
  const { database, revisions } = models();
  return database.transaction(async (transaction) => {
    const row = await found(id, transaction);
    const old = await revisions.findOne({ where: { pieceId: id, revision }, transaction });
    if (!old) throw new HttpError(404, `The history holds no revision ${revision} of this piece.`);
    const note = `Restored from revision ${revision}`;
    return { revision: await append(row, validDocument(old.document), 'restored', note, transaction) };
  });
}
