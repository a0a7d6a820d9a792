import { QueryTypes, type Transaction } from 'sequelize';
import { BIN_DAYS, type Binned } from '@/contract';
import { models } from './database';
import { HttpError } from './http';

interface Row {
  readonly id: string;
  readonly kind: Binned['kind'];
  readonly name: string;
  readonly facts: string;
  readonly deletedAt: Date;
}

/** When something was deleted that is still in the bin: later than this. */
const WITHIN = '(now() - make_interval(days => :days))';

/** What was deleted and can be brought back, the last first. Pieces of a deleted project stand for themselves only where they were deleted before it. */
export async function listBin(): Promise<Binned[]> {
  const rows = await models().database.query<Row>(
    `SELECT p.id, 'piece' AS kind, p.name, q.name AS facts, p.deleted_at AS "deletedAt"
       FROM pieces p JOIN projects q ON q.id = p.project_id
      WHERE p.deleted_at > ${WITHIN} AND q.deleted_at IS NULL
     UNION ALL
     SELECT q.id, 'project', q.name, count(p.id) || CASE count(p.id) WHEN 1 THEN ' piece' ELSE ' pieces' END, q.deleted_at
       FROM projects q LEFT JOIN pieces p ON p.project_id = q.id AND p.deleted_at IS NULL
      WHERE q.deleted_at > ${WITHIN}
      GROUP BY q.id
      ORDER BY 5 DESC, 3`,
    { type: QueryTypes.SELECT, replacements: { days: BIN_DAYS } },
  );
  return rows.map((row) => ({ ...row, deletedAt: row.deletedAt.toISOString() }));
}

/**
 * The first project there was stays as a row, without its pieces and long out of the bin: that the sample world was put there once is
 * known by it.
 */
const NOT_THE_FIRST = 'id <> (SELECT id FROM projects ORDER BY created_at, id LIMIT 1)';

/** Takes one piece or project out of the bin for good, with its history and exports: all of it or nothing. */
export const removeFromBin = (id: string): Promise<void> =>
  models().database.transaction(async (transaction) => {
    const replacements = { id };
    const pieces = await models().database.query(
      'DELETE FROM pieces WHERE deleted_at IS NOT NULL AND id = :id RETURNING id',
      { type: QueryTypes.SELECT, replacements, transaction },
    );
    if (pieces.length > 0) return;
    const project = await models().projects.findByPk(id, { paranoid: false, transaction });
    if (!project?.deletedAt) throw new HttpError(404, 'This is not in the bin any more.');
    await removeProjects('id = :id', replacements, transaction);
  });

/** Takes all that is in the bin away for good: all of it or nothing. */
export const emptyBin = (): Promise<void> =>
  models().database.transaction(async (transaction) => {
    await models().database.query('DELETE FROM pieces WHERE deleted_at IS NOT NULL', { transaction });
    await removeProjects('true', {}, transaction);
  });

async function removeProjects(
  which: string,
  replacements: Record<string, unknown>,
  transaction: Transaction,
): Promise<void> {
  const how = { replacements, transaction };
  const { database } = models();
  await database.query(
    `DELETE FROM pieces WHERE project_id IN (SELECT id FROM projects WHERE deleted_at IS NOT NULL AND ${which})`,
    how,
  );
  await database.query(
    `DELETE FROM projects WHERE deleted_at IS NOT NULL AND ${which} AND ${NOT_THE_FIRST}`,
    how,
  );
  await database.query(
    `UPDATE projects SET deleted_at = 'epoch' WHERE deleted_at IS NOT NULL AND ${which}`,
    how,
  );
}

/** Takes away what has been in the bin for longer than its time; pieces with exports that are kept for good stay. Answers how many pieces. */
export async function removeOldFromBin(): Promise<number> {
  const { database } = models();
  const replacements = { days: BIN_DAYS };
  const old = 'deleted_at < now() - make_interval(days => :days)';
  const rows = await database.query(
    `DELETE FROM pieces AS p WHERE (
         p.${old} OR project_id IN (SELECT id FROM projects WHERE ${old}))
       AND NOT EXISTS (SELECT 1 FROM exports e WHERE e.piece_id = p.id AND e.kept)
     RETURNING id`,
    { type: QueryTypes.SELECT, replacements },
  );
  await database.query(
    `DELETE FROM projects WHERE ${old} AND NOT EXISTS (SELECT 1 FROM pieces WHERE project_id = projects.id) AND ${NOT_THE_FIRST}`,
    { replacements },
  );
  return rows.length;
}
