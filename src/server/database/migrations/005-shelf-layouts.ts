import type { QueryInterface } from 'sequelize';

export const name = '005-shelf-layouts';

/** The shelf keeps layouts too. */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    ALTER TABLE shelf_items DROP CONSTRAINT shelf_items_kind_check;
    ALTER TABLE shelf_items ADD CONSTRAINT shelf_items_kind_check
      CHECK (kind IN ('style', 'manner', 'easing', 'layout'));
  `);
}

export async function down(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    DELETE FROM shelf_items WHERE kind = 'layout';
    ALTER TABLE shelf_items DROP CONSTRAINT shelf_items_kind_check;
    ALTER TABLE shelf_items ADD CONSTRAINT shelf_items_kind_check CHECK (kind IN ('style', 'manner', 'easing'));
  `);
}
