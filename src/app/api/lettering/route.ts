import { settingSchema } from '@/core/document';
import { route } from '@/server/http';
import { setLettering } from '@/server/lettering';

export const dynamic = 'force-dynamic';
export const POST = route({ body: settingSchema }, ({ body }) => setLettering(body));
