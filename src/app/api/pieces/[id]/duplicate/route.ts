import { PIECES } from '@/contract';
import { answers } from '@/server/http';
import { duplicatePiece } from '@/server/pieces';

export const POST = answers(PIECES.duplicate, ({ params, body, key }) =>
  duplicatePiece(params.id, body.project, key),
);
