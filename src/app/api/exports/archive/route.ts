import { z } from 'zod';
import { FILES, MOST_FETCHED } from '@/contract';
import { exportArchive } from '@/server/exports';
import { downloadHeaders, answers, HttpError } from '@/server/http';

export const dynamic = 'force-dynamic';

const idsSchema = z.array(z.uuid()).min(1).max(MOST_FETCHED);

export const GET = answers(FILES.exportArchive, async ({ request }) => {
  const asked = new URL(request.url).searchParams.get('ids') ?? '';
  const ids = idsSchema.safeParse(asked.split(',').filter(Boolean));
  if (!ids.success)
    throw new HttpError(422, `Name one to ${MOST_FETCHED} exports by their ids, with commas between them.`);
  const { size, stream } = await exportArchive(ids.data);
  return new Response(stream, { headers: downloadHeaders('Exports.zip', 'application/zip', size) });
});
