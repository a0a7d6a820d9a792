import { SHELF } from '@/contract';
import { answers } from '@/server/http';
import { addShelfItem, readShelf } from '@/server/shelf';

export const dynamic = 'force-dynamic';
export const GET = answers(SHELF.read, ({ params }) => readShelf(params.id));
export const POST = answers(SHELF.add, ({ params, body }) => addShelfItem(params.id, body));
