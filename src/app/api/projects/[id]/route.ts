import { PROJECTS } from '@/contract';
import { answers } from '@/server/http';
import { deleteProject, renameProject } from '@/server/projects';

export const PATCH = answers(PROJECTS.rename, ({ params, body }) => renameProject(params.id, body.name));
export const DELETE = answers(PROJECTS.remove, ({ params }) => deleteProject(params.id));
