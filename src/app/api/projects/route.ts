import { z } from 'zod';
import { nameSchema } from '@/core/document';
import { route } from '@/server/http';
import { createProject, listProjects } from '@/server/projects';

export const dynamic = 'force-dynamic';
export const GET = route({}, async () => ({ projects: await listProjects() }));
export const POST = route({ body: z.strictObject({ name: nameSchema }) }, ({ body }) =>
  createProject(body.name),
);
