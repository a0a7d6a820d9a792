import type { QueryInterface } from 'sequelize';

export const name = '009-export-parts';

/** Long exports are made in parts, each by whichever worker is free. */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    CREATE TABLE export_parts (
      export_id uuid NOT NULL REFERENCES exports (id) ON DELETE CASCADE,
      number integer NOT NULL CHECK (number >= 0),
      first integer NOT NULL CHECK (first >= 0),
      frames integer NOT NULL CHECK (frames > 0),
      frames_done integer NOT NULL DEFAULT 0,
      status text NOT NULL DEFAULT 'queued' CHECK (status IN ('queued', 'running', 'done')),
      attempts integer NOT NULL DEFAULT 0,
      run_id uuid,
      message text,
      heartbeat_at timestamptz,
      PRIMARY KEY (export_id, number)
    );
  `);
}

export async function down(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query('DROP TABLE export_parts');
}
