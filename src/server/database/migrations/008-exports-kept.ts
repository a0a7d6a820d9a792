import type { QueryInterface } from 'sequelize';

export const name = '008-exports-kept';

/** Exports can be kept for good and asked for with fields filled; the shelf keeps what exports are asked for with. */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    ALTER TABLE exports ADD COLUMN kept boolean NOT NULL DEFAULT false;
    ALTER TABLE exports ADD COLUMN fills jsonb;
    ALTER TABLE shelf_items DROP CONSTRAINT shelf_items_kind_check;
    ALTER TABLE shelf_items ADD CONSTRAINT shelf_items_kind_check
      CHECK (kind IN ('style', 'manner', 'easing', 'layout', 'effects', 'accent', 'preset'));
  `);
}

export async function down(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    DELETE FROM shelf_items WHERE kind = 'preset';
    ALTER TABLE shelf_items DROP CONSTRAINT shelf_items_kind_check;
    ALTER TABLE shelf_items ADD CONSTRAINT shelf_items_kind_check
      CHECK (kind IN ('style', 'manner', 'easing', 'layout', 'effects', 'accent'));
    ALTER TABLE exports DROP COLUMN fills;
    ALTER TABLE exports DROP COLUMN kept;
  `);
}
