import { FILES } from '@/contract';
import { answers } from '@/server/http';
import { openPicture } from '@/server/pictures';

export const dynamic = 'force-dynamic';
export const GET = answers(FILES.picture, async ({ params }) => {
  const { bytes, mediaType } = await openPicture(params.hash);
  return new Response(new Uint8Array(bytes), {
    headers: {
      'Content-Type': mediaType,
      'Content-Length': String(bytes.length),
      // What is kept under a hash never changes.
      'Cache-Control': 'private, max-age=31536000, immutable',
      'X-Content-Type-Options': 'nosniff',
    },
  });
});
