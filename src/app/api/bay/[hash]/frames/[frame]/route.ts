import { FILES, framePartSchema } from '@/contract';
import { receivedFrame } from '@/server/bay';
import { answers } from '@/server/http';

export const dynamic = 'force-dynamic';

/** Bytes of a file never change, nor do its frames. */
export const GET = answers(FILES.receivedFrame, async ({ params: { hash, frame }, request }) => {
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
