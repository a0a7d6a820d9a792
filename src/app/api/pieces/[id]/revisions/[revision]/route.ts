import { PIECES } from '@/contract';
import { answers } from '@/server/http';
import { readRevision } from '@/server/pieces';

export const dynamic = 'force-dynamic';
export const GET = answers(PIECES.readRevision, ({ params }) => readRevision(params.id, params.revision));
