import { PIECES } from '@/contract';
import { answers, answerText } from '@/server/http';
import { readRevision } from '@/server/pieces';

export const dynamic = 'force-dynamic';
export const GET = answers(PIECES.readRevision, async ({ params }) =>
  answerText(await readRevision(params.id, params.revision)),
);
