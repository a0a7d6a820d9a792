import { FILES, idParams } from '@/contract';
import { answers, downloadHeaders, route } from '@/server/http';
import { openProjectFile, PROJECT_FILE_BYTES, saveProject } from '@/server/project-file';

export const dynamic = 'force-dynamic';
export const GET = answers(FILES.project, async ({ params }) => {
  const { size, stream, fileName } = await saveProject(params.id);
  return new Response(stream, { headers: downloadHeaders(fileName, 'application/zip', size) });
});

/** Opens a file's pieces and shelf in this project. */
export const POST = route({ params: idParams, file: PROJECT_FILE_BYTES }, ({ params, file, key }) =>
  openProjectFile(file, params.id, key),
);
