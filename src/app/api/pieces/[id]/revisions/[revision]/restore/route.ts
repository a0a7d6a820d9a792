import { z } from 'zod';
import { idParams, route } from '@/server/http';
import { restoreRevision } from '@/server/pieces';

const params = idParams.extend({
  revision: z.coerce
    .number()
    .int()
    .min(1)
    .max(2 ** 31 - 1),
});

export const POST = route({ params }, ({ params: { id, revision } }) => restoreRevision(id, revision));
