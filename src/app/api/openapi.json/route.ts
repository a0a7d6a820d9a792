import { FILES, openApi } from '@/contract';
import { answers } from '@/server/http';

export const dynamic = 'force-dynamic';
export const GET = answers(FILES.openApi, async ({ request }) =>
  openApi(`http://${request.headers.get('host')}`),
);
