import { PIECES } from '@/contract';
import { answers } from '@/server/http';
import { deletePiece, openPiece, patchPiece, savePiece } from '@/server/pieces';

export const dynamic = 'force-dynamic';
export const GET = answers(PIECES.open, async ({ params }) => {
  const json = await openPiece(params.id);
  return new Response(json, { headers: { 'Content-Type': 'application/json', 'Cache-Control': 'no-store' } });
});
export const PUT = answers(PIECES.save, ({ params, body }) => savePiece(params.id, body));
export const PATCH = answers(PIECES.patch, ({ params, body }) => patchPiece(params.id, body));
export const DELETE = answers(PIECES.remove, ({ params }) => deletePiece(params.id));
