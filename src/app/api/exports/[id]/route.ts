import { EXPORTS } from '@/contract';
import { answers } from '@/server/http';
import { getExport } from '@/server/exports';

export const dynamic = 'force-dynamic';
export const GET = answers(EXPORTS.read, ({ params }) => getExport(params.id));
