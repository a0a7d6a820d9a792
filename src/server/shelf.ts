import { randomUUID } from 'node:crypto';
import { QueryTypes } from 'sequelize';
import type { NewShelfItem, Shelf, ShelfItem } from '@/contract';
import { models, type ShelfItemRow } from './database';
import { HttpError } from './http';

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

export async function addShelfItem(projectId: string, item: NewShelfItem): Promise<ShelfItem> {
  const { projects, shelf } = models();
  if (!(await projects.findByPk(projectId))) {
    throw new HttpError(404, 'There is no such project; it may have been deleted.');
  }
  if ((await shelf.count({ where: { projectId } })) >= ITEMS_AT_MOST) {
    throw new HttpError(
      422,
      `The shelf holds ${ITEMS_AT_MOST} things and is full. Take something off it first.`,
    );
  }
  return itemOf(await shelf.create({ id: randomUUID(), projectId, ...item }));
}

const GONE = 'This is not on the shelf any more; someone may have taken it off.';

export async function changeShelfItem(projectId: string, id: string, item: NewShelfItem): Promise<ShelfItem> {
  const row = await models().shelf.findOne({ where: { projectId, id, kind: item.kind } });
  if (!row) throw new HttpError(404, GONE);
  return itemOf(await row.update({ name: item.name, content: item.content }));
}

export async function removeShelfItem(projectId: string, id: string): Promise<void> {
  if ((await models().shelf.destroy({ where: { projectId, id } })) === 0) throw new HttpError(404, GONE);
}
