import { LETTERING } from '@/contract';
import { answers } from '@/server/http';
import { setLettering } from '@/server/lettering';

export const dynamic = 'force-dynamic';
export const POST = answers(LETTERING.set, ({ body }) => setLettering(body));
