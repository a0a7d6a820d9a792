import { EXPORTS } from '@/contract';
import { allExports } from '@/server/exports';
import { answers } from '@/server/http';

export const dynamic = 'force-dynamic';
export const GET = answers(EXPORTS.all, () => allExports());
