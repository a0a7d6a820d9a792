import { SHELF } from '@/contract';
import { answersLarge } from '@/server/documents';
import { answers, answerText } from '@/server/http';
import { addShelfItem, readShelf } from '@/server/shelf';

export const dynamic = 'force-dynamic';
export const GET = answers(SHELF.read, ({ params }) => readShelf(params.id));
export const POST = answersLarge(SHELF.add, 'shelfItem', async ({ params, body, key }) =>
  answerText(await addShelfItem(params.id, body, key)),
);
