import { randomUUID } from 'node:crypto';
import { QueryTypes, type Transaction } from 'sequelize';
import type { Shelf, ShelfItem } from '@/contract';
import { models, type ShelfItemRow } from './database';
import type { CheckedItem } from './documents';
import { HttpError } from './http';
import { once } from './once';

const ITEMS_AT_MOST = 500;

// What was checked when it came in goes out as it is.
const itemOf = ({ id, kind, name, content }: ShelfItemRow): ShelfItem =>
  ({ id, kind, name, content }) as ShelfItem;

/** What is kept for reuse in a project. */
export async function readShelf(projectId: string): Promise<Shelf> {
  const { database, shelf } = models();
  const rows = await shelf.findAll({ where: { projectId }, order: [['createdAt', 'ASC']] });
  const colours = await database.query<{ colour: string }>(
    `SELECT lower(layer#>>'{ink,colour}') AS colour
       FROM pieces, jsonb_array_elements(document->'layers') AS layer
      WHERE project_id = :projectId AND deleted_at IS NULL
        AND layer->>'type' = 'stroke' AND jsonb_typeof(layer#>'{ink,colour}') = 'string'
      GROUP BY 1 ORDER BY count(*) DESC, 1 LIMIT 32`,
    { type: QueryTypes.SELECT, replacements: { projectId } },
  );
  return { items: rows.map(itemOf), colours: colours.map(({ colour }) => colour) };
}

/** Puts something that was checked onto a shelf. */
export async function insertShelfItem(
  projectId: string,
  { id, kind, name, content }: CheckedItem & { readonly id: string },
  transaction: Transaction,
): Promise<void> {
  await models().database.query(
    `INSERT INTO shelf_items (id, project_id, kind, name, content, created_at, updated_at)
     VALUES ($1, $2, $3, $4, $5::jsonb, clock_timestamp(), clock_timestamp())`,
    { bind: [id, projectId, kind, name, content], transaction },
  );
}

/** Something on a shelf, as JSON. */
const itemText = (id: string, { kind, name, content }: CheckedItem): string =>
  `${JSON.stringify({ id, kind, name }).slice(0, -1)},"content":${content}}`;

/** @param key of the request, so that one that is sent again puts no second thing there. */
export async function addShelfItem(
  projectId: string,
  item: CheckedItem,
  key: string | null = null,
): Promise<string> {
  const { projects, shelf } = models();
  const { id } = await once(key, async (transaction) => {
    if (!(await projects.findByPk(projectId, { transaction }))) {
      throw new HttpError(404, 'There is no such project; it may have been deleted.');
    }
    if ((await shelf.count({ where: { projectId }, transaction })) >= ITEMS_AT_MOST) {
      throw new HttpError(
        422,
        `The shelf holds ${ITEMS_AT_MOST} things and is full. Take something off it first.`,
      );
    }
    const made = { id: randomUUID(), ...item };
    await insertShelfItem(projectId, made, transaction);
    return { id: made.id };
  });
  return itemText(id, item);
}

const GONE = 'This is not on the shelf any more; someone may have taken it off.';

export async function changeShelfItem(projectId: string, id: string, item: CheckedItem): Promise<string> {
  const { kind, name, content } = item;
  const changed = await models().database.query(
    `UPDATE shelf_items SET name = $4, content = $5::jsonb, updated_at = clock_timestamp()
      WHERE project_id = $1 AND id = $2 AND kind = $3 RETURNING id`,
    { type: QueryTypes.SELECT, bind: [projectId, id, kind, name, content] },
  );
  if (changed.length === 0) throw new HttpError(404, GONE);
  return itemText(id, item);
}

export async function removeShelfItem(projectId: string, id: string): Promise<void> {
  if ((await models().shelf.destroy({ where: { projectId, id } })) === 0) throw new HttpError(404, GONE);
}
