import { PIECES } from '@/contract';
import { answersLarge } from '@/server/documents';
import { createPiece } from '@/server/pieces';

export const POST = answersLarge(PIECES.create, 'createPiece', ({ params, body, key }) =>
  createPiece(params.id, body.document, key),
);
