import { idParams, route } from '@/server/http';
import { getExport } from '@/server/exports';

export const dynamic = 'force-dynamic';
export const GET = route({ params: idParams }, ({ params }) => getExport(params.id));
