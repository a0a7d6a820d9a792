import { z } from 'zod';
import { idParams, route } from '@/server/http';
import { createPiece } from '@/server/pieces';

export const POST = route(
  { params: idParams, body: z.strictObject({ document: z.unknown() }) },
  ({ params, body }) => createPiece(params.id, body.document),
);
