import { FILES } from '@/contract';
import { answers, downloadHeaders } from '@/server/http';
import { savePieceFile } from '@/server/project-file';

export const dynamic = 'force-dynamic';
export const GET = answers(FILES.piece, async ({ params }) => {
  const { size, stream, fileName } = await savePieceFile(params.id);
  return new Response(stream, { headers: downloadHeaders(fileName, 'application/zip', size) });
});
