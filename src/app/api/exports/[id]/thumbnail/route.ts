import { FILES } from '@/contract';
import { answers } from '@/server/http';
import { exportThumbnail } from '@/server/thumbnail';

export const dynamic = 'force-dynamic';
/** An export is of a document that stands: its picture never changes. */
export const GET = answers(FILES.exportThumbnail, async ({ params }) => {
  const png = await exportThumbnail(params.id);
  return new Response(new Uint8Array(png), {
    headers: {
      'Content-Type': 'image/png',
      'Content-Length': String(png.length),
      'Cache-Control': 'private, max-age=31536000, immutable',
    },
  });
});
