import { PIECES } from '@/contract';
import { answers } from '@/server/http';
import { createPiece } from '@/server/pieces';

export const POST = answers(PIECES.create, ({ params, body }) => createPiece(params.id, body.document));
