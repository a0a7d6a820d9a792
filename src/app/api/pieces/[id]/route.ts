import { PIECES } from '@/contract';
import { answersLarge } from '@/server/documents';
import { answers, answerText } from '@/server/http';
import { deletePiece, openPiece, patchPiece, savePiece } from '@/server/pieces';

export const dynamic = 'force-dynamic';
export const GET = answers(PIECES.open, async ({ params }) => answerText(await openPiece(params.id)));
export const PUT = answersLarge(PIECES.save, 'savePiece', ({ params, body }) => savePiece(params.id, body));
export const PATCH = answersLarge(PIECES.patch, 'patchPiece', ({ params, body }) =>
  patchPiece(params.id, body),
);
export const DELETE = answers(PIECES.remove, ({ params }) => deletePiece(params.id));
