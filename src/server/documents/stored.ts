import { LRUCache } from 'lru-cache';
import { QueryTypes, type Transaction } from 'sequelize';
import type { Piece } from '@/core/document';
import { models } from '../database';
import { HttpError } from '../http/http-error';
import { checked } from './aside';
import type { CheckedDocument } from './checked';

/** Quick saves of one session within this time are kept as one entry of the history, s. */
const THIN_SECONDS = 60;
/** Characters of documents that are kept. */
const MOST_KEPT = 64e6;

/** Checked documents by piece and revision: what a revision holds never changes. */
const kept = new LRUCache<string, CheckedDocument>({
  maxSize: MOST_KEPT,
  sizeCalculation: ({ text }) => text.length,
});
const keyOf = (pieceId: string, revision: number): string => `${pieceId} ${revision}`;

/** How a piece stands, without its document. */
export interface Standing extends Pick<Piece, 'name' | 'size' | 'length' | 'rate'> {
  readonly projectId: string;
  readonly projectName: string;
  readonly revision: number;
  /** The session that made that revision. */
  readonly savedBy: string;
  /** What it holds; null where it was kept before hashes were. */
  readonly hash: string | null;
}

export const noPiece = (): HttpError =>
  new HttpError(404, 'There is no such piece; it may have been deleted.');

/** Why a piece is not there: deleted, it can be brought back. */
async function missing(id: string): Promise<HttpError> {
  const [binned] = await models().database.query('SELECT id FROM pieces WHERE id = $1', {
    type: QueryTypes.SELECT,
    bind: [id],
  });
  return binned ? new HttpError(404, 'This piece is in the bin.', { inBin: true }) : noPiece();
}

/**
 * How a piece stands.
 * @param transaction given, the piece is locked until that is over.
 */
export async function standing(id: string, transaction?: Transaction): Promise<Standing> {
  const [row] = await models().database.query<Standing>(
    `SELECT p.project_id AS "projectId", q.name AS "projectName", p.revision, coalesce(r.session, '') AS "savedBy", r.hash,
            p.name, p.size, p.length, p.rate
       FROM pieces p JOIN projects q ON q.id = p.project_id
       LEFT JOIN piece_revisions r ON r.piece_id = p.id AND r.revision = p.revision
      WHERE p.id = $1 AND p.deleted_at IS NULL ${transaction ? 'FOR UPDATE OF p' : ''}`,
    { type: QueryTypes.SELECT, bind: [id], ...(transaction && { transaction }) },
  );
  if (!row) throw await missing(id);
  return row;
}

/** A document of the history, checked once; null where the history has it not, or not any more. */
export async function documentAt(id: string, revision: number): Promise<CheckedDocument | null> {
  const key = keyOf(id, revision);
  const known = kept.get(key);
  if (known) return known;
  const [row] = await models().database.query<{ text: string }>(
    'SELECT document::text AS text FROM piece_revisions WHERE piece_id = $1 AND revision = $2',
    { type: QueryTypes.SELECT, bind: [id, revision] },
  );
  if (!row) return null;
  const document = await checked(row.text);
  kept.set(key, document);
  return document;
}

/** A piece as it stands, with its document. */
export async function documentOf(id: string): Promise<Standing & { readonly document: CheckedDocument }> {
  for (;;) {
    const now = await standing(id);
    const key = keyOf(id, now.revision);
    const known = kept.get(key);
    if (known) return { ...now, document: known };
    const [row] = await models().database.query<{ text: string }>(
      'SELECT document::text AS text FROM pieces WHERE id = $1 AND revision = $2',
      { type: QueryTypes.SELECT, bind: [id, now.revision] },
    );
    // Saved again between the two: a document never goes out under another one's revision.
    if (!row) continue;
    const document = await checked(row.text);
    kept.set(key, document);
    return { ...now, document };
  }
}

/** Puts a new piece into the database, at its first revision. */
export async function insertPiece(
  piece: {
    readonly id: string;
    readonly projectId: string;
    readonly document: CheckedDocument;
    readonly session: string;
  },
  transaction: Transaction,
): Promise<void> {
  const { id, projectId, document, session } = piece;
  const { database } = models();
  await database.query(
    `INSERT INTO pieces (id, project_id, document, revision, created_at, updated_at)
     VALUES ($1, $2, $3::jsonb, 1, clock_timestamp(), clock_timestamp())`,
    { bind: [id, projectId, document.text], transaction },
  );
  await keepRevision(id, { session, note: null, hash: document.hash }, transaction);
}

/** Notes in the history what stands in a piece now. */
async function keepRevision(
  id: string,
  { session, note, hash }: { session: string; note: string | null; hash: string },
  transaction: Transaction,
): Promise<void> {
  await models().database.query(
    `INSERT INTO piece_revisions (piece_id, revision, document, session, note, hash, created_at)
     SELECT id, revision, document, $2, $3, $4, clock_timestamp() FROM pieces WHERE id = $1`,
    { bind: [id, session, note, hash], transaction },
  );
}

/** Puts a document over a piece that is locked, as its next revision. */
export async function appendRevision(
  id: string,
  revision: number,
  document: CheckedDocument,
  { session, note = null }: { readonly session: string; readonly note?: string | null },
  transaction: Transaction,
): Promise<number> {
  const { database } = models();
  // The newest entry goes when this session made it, and made the one before it less than a minute earlier.
  if (note === null)
    await database.query(
      `DELETE FROM piece_revisions AS newest
        WHERE newest.piece_id = $1 AND newest.revision = $2 AND newest.session = $3 AND newest.note IS NULL
          AND (SELECT before.session = $3 AND before.created_at > clock_timestamp() - make_interval(secs => $4)
                 FROM piece_revisions AS before
                WHERE before.piece_id = $1 AND before.revision < $2
                ORDER BY before.revision DESC LIMIT 1)`,
      { bind: [id, revision, session, THIN_SECONDS], transaction },
    );
  const next = revision + 1;
  await database.query(
    'UPDATE pieces SET document = $2::jsonb, revision = $3, updated_at = clock_timestamp() WHERE id = $1',
    { bind: [id, document.text, next], transaction },
  );
  await keepRevision(id, { session, note, hash: document.hash }, transaction);
  transaction.afterCommit(() => void kept.set(keyOf(id, next), document));
  return next;
}
