import type { QueryInterface } from 'sequelize';

export const name = '010-hashes-and-requests';

/**
 * What each revision holds, by its hash: a patch is put only to the very document it was made against. And what requests that make
 * something were answered, by their keys: one that is sent again makes nothing more.
 */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    ALTER TABLE piece_revisions ADD COLUMN hash text;
    CREATE TABLE requests (
      key text PRIMARY KEY,
      answer jsonb,
      made_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE INDEX requests_made_at ON requests (made_at);
  `);
}

export async function down(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query('DROP TABLE requests; ALTER TABLE piece_revisions DROP COLUMN hash');
}
