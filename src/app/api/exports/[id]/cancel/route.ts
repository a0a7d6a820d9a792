import { EXPORTS } from '@/contract';
import { answers } from '@/server/http';
import { cancelExport } from '@/server/exports';

export const POST = answers(EXPORTS.cancel, ({ params }) => cancelExport(params.id));
