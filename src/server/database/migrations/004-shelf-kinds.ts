import type { QueryInterface } from 'sequelize';

export const name = '004-shelf-kinds';

/** The shelf keeps manners and easings too. */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    ALTER TABLE shelf_items DROP CONSTRAINT shelf_items_kind_check;
    ALTER TABLE shelf_items ADD CONSTRAINT shelf_items_kind_check CHECK (kind IN ('style', 'manner', 'easing'));
  `);
}

export async function down(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    DELETE FROM shelf_items WHERE kind <> 'style';
    ALTER TABLE shelf_items DROP CONSTRAINT shelf_items_kind_check;
    ALTER TABLE shelf_items ADD CONSTRAINT shelf_items_kind_check CHECK (kind IN ('style'));
  `);
}
