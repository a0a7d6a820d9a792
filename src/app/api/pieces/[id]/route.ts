import { z } from 'zod';
import { idParams, route } from '@/server/http';
import { deletePiece, openPiece, savePiece } from '@/server/pieces';

const save = z.strictObject({
  baseRevision: z.number().int().min(1),
  session: z.string().regex(/^[A-Za-z0-9-]{1,60}$/),
  document: z.unknown(),
});

export const dynamic = 'force-dynamic';
export const GET = route({ params: idParams }, ({ params }) => openPiece(params.id));
export const PUT = route({ params: idParams, body: save }, ({ params, body }) => savePiece(params.id, body));
export const DELETE = route({ params: idParams }, ({ params }) => deletePiece(params.id));
