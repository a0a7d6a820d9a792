import { models } from '@/server/database';
import { route } from '@/server/http';

export const dynamic = 'force-dynamic';

/** Answers once the web server reaches its database. */
export const GET = route({}, async () => {
  await models().database.query('SELECT 1');
  return { ready: true };
});
