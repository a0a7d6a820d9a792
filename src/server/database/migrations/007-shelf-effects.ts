import type { QueryInterface } from 'sequelize';

export const name = '007-shelf-effects';

/** The shelf keeps lists of effects and accents too. */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    ALTER TABLE shelf_items DROP CONSTRAINT shelf_items_kind_check;
    ALTER TABLE shelf_items ADD CONSTRAINT shelf_items_kind_check
      CHECK (kind IN ('style', 'manner', 'easing', 'layout', 'effects', 'accent'));
  `);
}

export async function down(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    DELETE FROM shelf_items WHERE kind IN ('effects', 'accent');
    ALTER TABLE shelf_items DROP CONSTRAINT shelf_items_kind_check;
    ALTER TABLE shelf_items ADD CONSTRAINT shelf_items_kind_check
      CHECK (kind IN ('style', 'manner', 'easing', 'layout'));
  `);
}
