import { idParams, route } from '@/server/http';
import { addShelfItem, readShelf, shelfItemSchema } from '@/server/shelf';

export const dynamic = 'force-dynamic';
export const GET = route({ params: idParams }, ({ params }) => readShelf(params.id));
export const POST = route({ params: idParams, body: shelfItemSchema }, ({ params, body }) =>
  addShelfItem(params.id, body),
);
