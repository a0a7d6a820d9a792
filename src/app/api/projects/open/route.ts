import { route } from '@/server/http';
import { openProjectFile, PROJECT_FILE_BYTES } from '@/server/project-file';

export const dynamic = 'force-dynamic';
export const POST = route({ bytes: PROJECT_FILE_BYTES }, ({ bytes }) => openProjectFile(bytes));
