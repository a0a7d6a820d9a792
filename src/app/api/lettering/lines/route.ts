import { z } from 'zod';
import { LIMITS } from '@/core/document';
import { route } from '@/server/http';
import { LINE_FACES, setLines } from '@/server/lettering';

const body = z.strictObject({
  text: z.string().max(LIMITS.textLength),
  face: z.enum(LINE_FACES.map((face) => face.id) as [(typeof LINE_FACES)[number]['id']]),
  size: z.number().min(1).max(4000),
  tracking: z.number().min(-1000).max(5000),
  leading: z.number().min(0.1).max(10),
});

export const dynamic = 'force-dynamic';
export const POST = route({ body }, ({ body }) => setLines(body));
