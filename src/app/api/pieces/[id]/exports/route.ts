import { idParams, route } from '@/server/http';
import { exportSettingsSchema, listExports, requestExport } from '@/server/exports';

export const dynamic = 'force-dynamic';
export const GET = route({ params: idParams }, async ({ params }) => ({
  exports: await listExports(params.id),
}));
export const POST = route({ params: idParams, body: exportSettingsSchema }, ({ params, body }) =>
  requestExport(params.id, body),
);
