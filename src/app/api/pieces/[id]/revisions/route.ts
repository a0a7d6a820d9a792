import { PIECES } from '@/contract';
import { answers } from '@/server/http';
import { listRevisions } from '@/server/pieces';

export const dynamic = 'force-dynamic';
export const GET = answers(PIECES.revisions, async ({ params }) => ({
  revisions: await listRevisions(params.id),
}));
