import type { QueryInterface } from 'sequelize';

export const name = '003-shelf';

export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    CREATE TABLE shelf_items (
      id uuid PRIMARY KEY,
      project_id uuid NOT NULL REFERENCES projects ON DELETE CASCADE,
      kind text NOT NULL CHECK (kind IN ('style')),
      name text NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
      content jsonb NOT NULL,
      created_at timestamptz NOT NULL DEFAULT now(),
      updated_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE INDEX shelf_items_project ON shelf_items (project_id, created_at);
  `);
}

export async function down(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query('DROP TABLE shelf_items');
}
