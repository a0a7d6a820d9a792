import { FILES } from '@/contract';
import { vectorsOf } from '@/server/bay';
import { answers } from '@/server/http';

export const dynamic = 'force-dynamic';

/** As plain text: a page reads it, and nobody opens it as a page of its own. */
export const GET = answers(FILES.received, async ({ params }) => {
  const bytes = await vectorsOf(params.hash);
  return new Response(new Uint8Array(bytes), {
    headers: { 'Content-Type': 'text/plain; charset=utf-8', 'X-Content-Type-Options': 'nosniff' },
  });
});
