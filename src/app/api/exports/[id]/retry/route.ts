import { idParams, route } from '@/server/http';
import { retryExport } from '@/server/exports';

export const POST = route({ params: idParams }, ({ params }) => retryExport(params.id));
