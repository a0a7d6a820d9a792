import { z } from 'zod';
import { nameSchema } from '@/core/document';
import { idParams, route } from '@/server/http';
import { deleteProject, renameProject } from '@/server/projects';

export const PATCH = route(
  { params: idParams, body: z.strictObject({ name: nameSchema }) },
  ({ params, body }) => renameProject(params.id, body.name),
);
export const DELETE = route({ params: idParams }, ({ params }) => deleteProject(params.id));
