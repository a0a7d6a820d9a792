import { idParams, route } from '@/server/http';
import { undeleteProject } from '@/server/projects';

export const POST = route({ params: idParams }, ({ params }) => undeleteProject(params.id));
