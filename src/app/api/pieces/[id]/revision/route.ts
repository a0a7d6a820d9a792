import { PIECES } from '@/contract';
import { answers } from '@/server/http';
import { pieceRevision } from '@/server/pieces';

export const dynamic = 'force-dynamic';
export const GET = answers(PIECES.revision, ({ params }) => pieceRevision(params.id));
