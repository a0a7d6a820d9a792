import { z } from 'zod';
import { hashSchema } from '@/contract';
import { route } from '@/server/http';
import { openPicture } from '@/server/pictures';

const params = z.strictObject({ hash: hashSchema });

export const dynamic = 'force-dynamic';
export const GET = route({ params }, async ({ params }) => {
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
