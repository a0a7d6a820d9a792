import { PROJECTS } from '@/contract';
import { answers } from '@/server/http';
import { createProject, listProjects } from '@/server/projects';

export const dynamic = 'force-dynamic';
export const GET = answers(PROJECTS.list, async () => ({ projects: await listProjects() }));
export const POST = answers(PROJECTS.create, ({ body, key }) => createProject(body.name, key));
