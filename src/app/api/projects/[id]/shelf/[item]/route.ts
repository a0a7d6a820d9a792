import { SHELF } from '@/contract';
import { answers } from '@/server/http';
import { changeShelfItem, removeShelfItem } from '@/server/shelf';

export const dynamic = 'force-dynamic';
export const PUT = answers(SHELF.change, ({ params, body }) => changeShelfItem(params.id, params.item, body));
export const DELETE = answers(SHELF.remove, ({ params }) => removeShelfItem(params.id, params.item));
