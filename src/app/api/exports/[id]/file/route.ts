import { createReadStream } from 'node:fs';
import { stat } from 'node:fs/promises';
import { Readable } from 'node:stream';
import { assetPath } from '@/server/assets';
import { exportFile, fileTypeOf } from '@/server/exports';
import { FILES } from '@/contract';
import { downloadHeaders, answers, HttpError } from '@/server/http';

export const dynamic = 'force-dynamic';
export const GET = answers(FILES.export, async ({ params }) => {
  const { hash, settings, fileName } = await exportFile(params.id);
  const path = assetPath(hash);
  const info = await stat(path).catch(() => null);
  if (!info) throw new HttpError(410, 'The file of this export is no longer there. Run the export again.');
  return new Response(Readable.toWeb(createReadStream(path)) as ReadableStream<Uint8Array>, {
    headers: downloadHeaders(fileName, fileTypeOf(settings).mediaType, info.size),
  });
});
