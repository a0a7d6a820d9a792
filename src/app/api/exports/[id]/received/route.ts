import { BAY } from '@/contract';
import { openExport } from '@/server/bay';
import { answers } from '@/server/http';

export const dynamic = 'force-dynamic';
export const GET = answers(BAY.open, ({ params }) => openExport(params.id));
