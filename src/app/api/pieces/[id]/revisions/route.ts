import { idParams, route } from '@/server/http';
import { listRevisions } from '@/server/pieces';

export const dynamic = 'force-dynamic';
export const GET = route({ params: idParams }, async ({ params }) => ({
  revisions: await listRevisions(params.id),
}));
