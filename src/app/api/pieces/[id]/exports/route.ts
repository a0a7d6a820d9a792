import { EXPORTS } from '@/contract';
import { listExports, requestExport } from '@/server/exports';
import { answers } from '@/server/http';

export const dynamic = 'force-dynamic';
export const GET = answers(EXPORTS.list, async ({ params }) => ({ exports: await listExports(params.id) }));
export const POST = answers(EXPORTS.request, ({ params, body, key }) =>
  requestExport(params.id, body.settings, body.fields, key),
);
