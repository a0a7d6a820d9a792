import { z } from 'zod';
import { newShelfItemSchema } from '@/core/document';
import { route } from '@/server/http';
import { changeShelfItem, removeShelfItem } from '@/server/shelf';

const params = z.strictObject({
  id: z.uuid('is not the id of anything here'),
  item: z.uuid('is not the id of anything here'),
});

export const dynamic = 'force-dynamic';
export const PUT = route({ params, body: newShelfItemSchema }, ({ params, body }) =>
  changeShelfItem(params.id, params.item, body),
);
export const DELETE = route({ params }, ({ params }) => removeShelfItem(params.id, params.item));
