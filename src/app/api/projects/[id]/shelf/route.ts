import { newShelfItemSchema } from '@/core/document';
import { idParams, route } from '@/server/http';
import { addShelfItem, readShelf } from '@/server/shelf';

export const dynamic = 'force-dynamic';
export const GET = route({ params: idParams }, ({ params }) => readShelf(params.id));
export const POST = route({ params: idParams, body: newShelfItemSchema }, ({ params, body }) =>
  addShelfItem(params.id, body),
);
