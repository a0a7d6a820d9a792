import { EXPORTS } from '@/contract';
import { answers } from '@/server/http';
import { retryExport } from '@/server/exports';

export const POST = answers(EXPORTS.retry, ({ params }) => retryExport(params.id));
