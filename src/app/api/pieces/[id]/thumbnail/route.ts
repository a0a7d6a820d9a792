import { idParams, route } from '@/server/http';
import { thumbnail } from '@/server/thumbnail';

export const dynamic = 'force-dynamic';
/** The address carries the revision, so the picture of one address never changes. */
export const GET = route({ params: idParams }, async ({ params }) => {
  const png = await thumbnail(params.id);
  return new Response(Buffer.from(png), {
    headers: { 'Content-Type': 'image/png', 'Cache-Control': 'private, max-age=31536000, immutable' },
  });
});
