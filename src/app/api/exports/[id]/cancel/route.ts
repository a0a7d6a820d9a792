import { idParams, route } from '@/server/http';
import { cancelExport } from '@/server/exports';

export const POST = route({ params: idParams }, ({ params }) => cancelExport(params.id));
