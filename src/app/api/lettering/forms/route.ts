import { LETTERING } from '@/contract';
import { answers } from '@/server/http';
import { formsOfLetter } from '@/server/lettering';

export const dynamic = 'force-dynamic';
export const POST = answers(LETTERING.forms, async ({ body }) => ({
  forms: await formsOfLetter(body.setting, body.at),
}));
