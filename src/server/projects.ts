import { randomUUID } from 'node:crypto';
import { QueryTypes } from 'sequelize';
import type { PieceSummary, ProjectSummary } from '@/contract';
import { models } from './database';
import { HttpError } from './http';
import { once } from './once';

type Card = Omit<PieceSummary, 'updatedAt'> & { readonly projectId: string; readonly updatedAt: Date };

const cardOf = ({ id, revision, name, width, height, length, rate, over, strokes, updatedAt }: Card) => ({
  ...{ id, revision, name, width, height, length, rate, over, strokes },
  updatedAt: updatedAt.toISOString(),
});

/** All projects with what their cards show, without the documents themselves. */
export async function listProjects(): Promise<ProjectSummary[]> {
  const { database } = models();
  const projects = await database.query<{ id: string; name: string; updated_at: Date }>(
    'SELECT id, name, updated_at FROM projects WHERE deleted_at IS NULL ORDER BY created_at, id',
    { type: QueryTypes.SELECT },
  );
  const pieces = await database.query<Card>(
    `SELECT id, project_id AS "projectId", revision, updated_at AS "updatedAt", name,
       (size->>'width')::int AS width, (size->>'height')::int AS height,
       length, rate, over_colour AS over, strokes
     FROM pieces WHERE deleted_at IS NULL ORDER BY created_at, id`,
    { type: QueryTypes.SELECT },
  );
  return projects.map((project) => ({
    id: project.id,
    name: project.name,
    updatedAt: project.updated_at.toISOString(),
    pieces: pieces.filter((piece) => piece.projectId === project.id).map((piece) => cardOf(piece)),
  }));
}

/** @param key of the request, so that one that is sent again makes no second project. */
export const createProject = (
  name: string,
  key: string | null = null,
): Promise<{ id: string; name: string }> =>
  once(key, async (transaction) => {
    const id = randomUUID();
    await models().projects.create({ id, name }, { transaction });
    return { id, name };
  });

async function found(id: string, deleted = false) {
  const project = await models().projects.findByPk(id, { paranoid: !deleted });
  if (!project) throw new HttpError(404, 'There is no such project; it may have been deleted.');
  return project;
}

export async function renameProject(id: string, name: string): Promise<void> {
  await (await found(id)).update({ name });
}

/** Puts a project aside; it can be brought back with all its pieces. */
export async function deleteProject(id: string): Promise<void> {
  await (await found(id)).destroy();
}

export async function undeleteProject(id: string): Promise<void> {
  await (await found(id, true)).restore();
}
