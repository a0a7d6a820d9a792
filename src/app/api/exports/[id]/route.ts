import { EXPORTS } from '@/contract';
import { answers } from '@/server/http';
import { getExport, keepExport, removeExport } from '@/server/exports';

export const dynamic = 'force-dynamic';
export const GET = answers(EXPORTS.read, ({ params }) => getExport(params.id));
export const PATCH = answers(EXPORTS.keep, ({ params, body }) => keepExport(params.id, body.kept));
export const DELETE = answers(EXPORTS.remove, ({ params }) => removeExport(params.id));
