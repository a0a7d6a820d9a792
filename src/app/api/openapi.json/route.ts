import { openApi } from '@/contract';
import { route } from '@/server/http';

export const dynamic = 'force-dynamic';
export const GET = route({}, async ({ request }) => openApi(`http://${request.headers.get('host')}`));
