import { randomUUID } from 'node:crypto';
import { QueryTypes } from 'sequelize';
import { models } from './database';
import { HttpError } from './http';

export interface PieceSummary {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  readonly width: number;
  readonly height: number;
  readonly length: number;
  readonly rate: { numerator: number; denominator: number };
  readonly over: string | null;
  readonly strokes: number;
  readonly updatedAt: string;
}

export interface ProjectSummary {
  readonly id: string;
  readonly name: string;
  readonly updatedAt: string;
  readonly pieces: PieceSummary[];
}

/** All projects with what their cards show, without the documents themselves. */
export async function listProjects(): Promise<ProjectSummary[]> {
  const { database } = models();
  const projects = await database.query<{ id: string; name: string; updated_at: Date }>(
    'SELECT id, name, updated_at FROM projects WHERE deleted_at IS NULL ORDER BY created_at, id',
    { type: QueryTypes.SELECT },
  );
  const pieces = await database.query<
    Omit<PieceSummary, 'updatedAt'> & { projectId: string; updatedAt: Date }
  >(
    `SELECT id, project_id AS "projectId", revision, updated_at AS "updatedAt", document->>'name' AS name,
       (document#>>'{size,width}')::int AS width, (document#>>'{size,height}')::int AS height,
       (document->>'length')::int AS length, document->'rate' AS rate, document->>'over' AS over,
       (SELECT count(*)::int FROM jsonb_array_elements(document->'layers') AS l WHERE l->>'type' = 'stroke') AS strokes
     FROM pieces WHERE deleted_at IS NULL ORDER BY created_at, id`,
    { type: QueryTypes.SELECT },
  );
  return projects.map((project) => ({
    id: project.id,
    name: project.name,
    updatedAt: project.updated_at.toISOString(),
    pieces: pieces
      .filter((piece) => piece.projectId === project.id)
      .map((piece) => ({ ...piece, updatedAt: piece.updatedAt.toISOString() })),
  }));
}

export async function createProject(name: string): Promise<{ id: string; name: string }> {
  const id = randomUUID();
  await models().projects.create({ id, name });
  return { id, name };
}

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
