import { SHELF } from '@/contract';
import { answersLarge } from '@/server/documents';
import { answers, answerText } from '@/server/http';
import { changeShelfItem, removeShelfItem } from '@/server/shelf';

export const dynamic = 'force-dynamic';
export const PUT = answersLarge(SHELF.change, 'shelfItem', async ({ params, body }) =>
  answerText(await changeShelfItem(params.id, params.item, body)),
);
export const DELETE = answers(SHELF.remove, ({ params }) => removeShelfItem(params.id, params.item));
