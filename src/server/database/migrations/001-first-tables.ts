import type { QueryInterface } from 'sequelize';

export const name = '001-first-tables';

export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    CREATE TABLE projects (
      id uuid PRIMARY KEY,
      name text NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
      created_at timestamptz NOT NULL DEFAULT now(),
      updated_at timestamptz NOT NULL DEFAULT now(),
      deleted_at timestamptz
    );
    CREATE TABLE pieces (
      id uuid PRIMARY KEY,
      project_id uuid NOT NULL REFERENCES projects ON DELETE CASCADE,
      document jsonb NOT NULL CHECK (jsonb_typeof(document) = 'object' AND document ? 'schemaVersion'),
      revision integer NOT NULL CHECK (revision >= 1),
      created_at timestamptz NOT NULL DEFAULT now(),
      updated_at timestamptz NOT NULL DEFAULT now(),
      deleted_at timestamptz
    );
    CREATE INDEX pieces_of_project ON pieces (project_id);
    CREATE TABLE piece_revisions (
      piece_id uuid NOT NULL REFERENCES pieces ON DELETE CASCADE,
      revision integer NOT NULL CHECK (revision >= 1),
      document jsonb NOT NULL,
      session text NOT NULL,
      note text,
      created_at timestamptz NOT NULL DEFAULT now(),
      PRIMARY KEY (piece_id, revision)
    );
    CREATE TABLE assets (
      hash text PRIMARY KEY CHECK (hash ~ '^[0-9a-f]{64}$'),
      size bigint NOT NULL CHECK (size >= 0),
      media_type text NOT NULL,
      created_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE TABLE exports (
      id uuid PRIMARY KEY,
      piece_id uuid NOT NULL REFERENCES pieces ON DELETE CASCADE,
      revision integer NOT NULL,
      document jsonb NOT NULL,
      settings jsonb NOT NULL,
      status text NOT NULL DEFAULT 'queued'
        CHECK (status IN ('queued', 'running', 'done', 'failed', 'cancelled')),
      frames_done integer NOT NULL DEFAULT 0,
      frames_total integer NOT NULL CHECK (frames_total >= 1),
      attempts integer NOT NULL DEFAULT 0,
      run_id uuid,
      cancel_requested boolean NOT NULL DEFAULT false,
      message text,
      asset_hash text REFERENCES assets,
      file_name text NOT NULL,
      heartbeat_at timestamptz,
      started_at timestamptz,
      finished_at timestamptz,
      created_at timestamptz NOT NULL DEFAULT now(),
      CHECK ((status = 'done') = (asset_hash IS NOT NULL))
    );
    CREATE INDEX exports_of_piece ON exports (piece_id, created_at DESC);
    CREATE INDEX exports_alive ON exports (status) WHERE status IN ('queued', 'running');
  `);
}

export async function down(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query('DROP TABLE exports, assets, piece_revisions, pieces, projects');
}
