import { idParams } from '@/contract';
import { downloadHeaders, route } from '@/server/http';
import { openProjectFile, PROJECT_FILE_BYTES, saveProject } from '@/server/project-file';

export const dynamic = 'force-dynamic';
export const GET = route({ params: idParams }, async ({ params }) => {
  const { bytes, fileName } = await saveProject(params.id);
  return new Response(bytes, { headers: downloadHeaders(fileName, 'application/zip', bytes.length) });
});

/** Opens a file's pieces and shelf in this project. */
export const POST = route({ params: idParams, bytes: PROJECT_FILE_BYTES }, ({ params, bytes }) =>
  openProjectFile(bytes, params.id),
);
