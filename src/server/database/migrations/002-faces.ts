import type { QueryInterface } from 'sequelize';

export const name = '002-faces';

export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    CREATE TABLE project_faces (
      project_id uuid NOT NULL REFERENCES projects ON DELETE CASCADE,
      asset_hash text NOT NULL REFERENCES assets,
      name text NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
      weight_min real,
      weight_max real,
      created_at timestamptz NOT NULL DEFAULT now(),
      PRIMARY KEY (project_id, asset_hash),
      CHECK ((weight_min IS NULL) = (weight_max IS NULL) AND (weight_min IS NULL OR weight_min <= weight_max))
    );
  `);
}

export async function down(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query('DROP TABLE project_faces');
}
