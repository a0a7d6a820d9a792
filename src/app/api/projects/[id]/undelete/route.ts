import { PROJECTS } from '@/contract';
import { answers } from '@/server/http';
import { undeleteProject } from '@/server/projects';

export const POST = answers(PROJECTS.undelete, ({ params }) => undeleteProject(params.id));
