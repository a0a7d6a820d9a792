import { FILES } from '@/contract';
import { models } from '@/server/database';
import { answers } from '@/server/http';

export const dynamic = 'force-dynamic';

/** Answers once the web server reaches its database. */
export const GET = answers(FILES.health, async () => {
  await models().database.query('SELECT 1');
  return { ready: true };
});
