import { PIECES } from '@/contract';
import { answers } from '@/server/http';
import { movePiece } from '@/server/pieces';

export const POST = answers(PIECES.move, ({ params, body }) => movePiece(params.id, body.project));
