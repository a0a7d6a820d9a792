import { z } from 'zod';
import { framePartSchema, hashSchema } from '@/contract';
import { receivedFrame } from '@/server/bay';
import { route } from '@/server/http';

export const dynamic = 'force-dynamic';

const params = z.strictObject({
  hash: hashSchema,
  frame: z.coerce.number<string>().int().min(0).max(10_000_000),
});

/** Bytes of a file never change, nor do its frames. */
export const GET = route({ params }, async ({ params: { hash, frame }, request }) => {
  const part = framePartSchema.catch('picture').parse(new URL(request.url).searchParams.get('part'));
  const bytes = await receivedFrame(hash, part, frame);
  return new Response(new Uint8Array(bytes), {
    headers: {
      'Content-Type': 'application/gzip',
      'Content-Length': String(bytes.length),
      'Cache-Control': 'private, max-age=3600',
    },
  });
});
