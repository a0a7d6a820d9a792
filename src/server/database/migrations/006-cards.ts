import type { QueryInterface } from 'sequelize';

export const name = '006-cards';

/** What the cards of the project list show stands beside the document, so that listing reads no documents. */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    ALTER TABLE pieces
      ADD COLUMN name text GENERATED ALWAYS AS (document->>'name') STORED,
      ADD COLUMN size jsonb GENERATED ALWAYS AS (document->'size') STORED,
      ADD COLUMN length integer GENERATED ALWAYS AS ((document->>'length')::int) STORED,
      ADD COLUMN rate jsonb GENERATED ALWAYS AS (document->'rate') STORED,
      ADD COLUMN over_colour text GENERATED ALWAYS AS (document->>'over') STORED,
      ADD COLUMN strokes integer GENERATED ALWAYS AS (
        jsonb_array_length(jsonb_path_query_array(document, '$.layers[*] ? (@.type == "stroke")'))
      ) STORED
  `);
}

export async function down(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    ALTER TABLE pieces
      DROP COLUMN name, DROP COLUMN size, DROP COLUMN length,
      DROP COLUMN rate, DROP COLUMN over_colour, DROP COLUMN strokes
  `);
}
