import { createReadStream } from 'node:fs';
import { stat } from 'node:fs/promises';
import { Readable } from 'node:stream';
import { assetPath } from '@/server/assets';
import { exportFile, fileTypeOf } from '@/server/exports';
import { idParams } from '@/contract';
import { HttpError, route } from '@/server/http';

export const dynamic = 'force-dynamic';
export const GET = route({ params: idParams }, async ({ params }) => {
  const { hash, settings, fileName } = await exportFile(params.id);
  const path = assetPath(hash);
  const info = await stat(path).catch(() => null);
  if (!info) throw new HttpError(410, 'The file of this export is no longer there. Run the export again.');
  const plain = fileName.replace(/[^\x20-\x7e]|["\\]/g, '_');
  return new Response(Readable.toWeb(createReadStream(path)) as ReadableStream<Uint8Array>, {
    headers: {
      'Content-Type': fileTypeOf(settings).mediaType,
      'Content-Length': String(info.size),
      'Content-Disposition': `attachment; filename="${plain}"; filename*=UTF-8''${encodeURIComponent(fileName)}`,
      'X-Content-Type-Options': 'nosniff',
    },
  });
});
