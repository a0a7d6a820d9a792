import { route } from '@/server/http';
import { openProjectFile, PROJECT_FILE_BYTES } from '@/server/project-file';

export const dynamic = 'force-dynamic';
export const POST = route({ file: PROJECT_FILE_BYTES }, ({ file, key }) =>
  openProjectFile(file, undefined, key),
);
