import { z } from 'zod';
import { route } from '@/server/http';
import { removeFace } from '@/server/lettering';

const params = z.strictObject({
  id: z.uuid('is not the id of anything here'),
  hash: z.string().regex(/^[0-9a-f]{64}$/, 'is not the hash of a face'),
});

export const dynamic = 'force-dynamic';
export const DELETE = route({ params }, ({ params }) => removeFace(params.id, params.hash));
