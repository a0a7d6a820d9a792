import { idParams } from '@/contract';
import { downloadHeaders, route } from '@/server/http';
import { savePieceFile } from '@/server/project-file';

export const dynamic = 'force-dynamic';
export const GET = route({ params: idParams }, async ({ params }) => {
  const { size, stream, fileName } = await savePieceFile(params.id);
  return new Response(stream, { headers: downloadHeaders(fileName, 'application/zip', size) });
});
