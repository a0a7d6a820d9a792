import { PIECES } from '@/contract';
import { answers } from '@/server/http';
import { restoreRevision } from '@/server/pieces';

export const POST = answers(PIECES.restore, ({ params }) => restoreRevision(params.id, params.revision));
