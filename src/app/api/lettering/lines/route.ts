import { LETTERING } from '@/contract';
import { answers } from '@/server/http';
import { setLines } from '@/server/lettering';

export const dynamic = 'force-dynamic';
export const POST = answers(LETTERING.lines, ({ body }) => setLines(body));
