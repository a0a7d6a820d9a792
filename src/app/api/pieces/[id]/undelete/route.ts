import { PIECES } from '@/contract';
import { answers } from '@/server/http';
import { undeletePiece } from '@/server/pieces';

export const POST = answers(PIECES.undelete, ({ params }) => undeletePiece(params.id));
