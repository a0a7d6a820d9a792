import { idParams } from '@/contract';
import { route } from '@/server/http';
import { thumbnail } from '@/server/thumbnail';

export const dynamic = 'force-dynamic';

/** The address carries the revision: a picture of the revision that was asked for never changes. */
export const GET = route({ params: idParams }, async ({ params, request }) => {
  const text = new URL(request.url).searchParams.get('revision') ?? '';
  const asked = /^\d{1,9}$/.test(text) ? Number(text) : null;
  const tag = (revision: number): string => `"${params.id}-${revision}"`;
  const known = request.headers.get('if-none-match');
  if (asked !== null && known === tag(asked))
    return new Response(null, { status: 304, headers: { ETag: known } });
  const { png, revision } = await thumbnail(params.id, asked);
  return new Response(new Uint8Array(png), {
    headers: {
      'Content-Type': 'image/png',
      'Content-Length': String(png.length),
      'Cache-Control': asked === revision ? 'private, max-age=31536000, immutable' : 'private, no-cache',
      ETag: tag(revision),
    },
  });
});
