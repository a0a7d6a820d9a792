import { z } from 'zod';
import { route } from '@/server/http';
import { changeShelfItem, removeShelfItem, shelfItemSchema } from '@/server/shelf';

const params = z.strictObject({
  id: z.uuid('is not the id of anything here'),
  item: z.uuid('is not the id of anything here'),
});

export const dynamic = 'force-dynamic';
export const PUT = route({ params, body: shelfItemSchema }, ({ params, body }) =>
  changeShelfItem(params.id, params.item, body),
);
export const DELETE = route({ params }, ({ params }) => removeShelfItem(params.id, params.item));
