import { BIN } from '@/contract';
import { emptyBin, listBin } from '@/server/bin';
import { answers } from '@/server/http';

export const dynamic = 'force-dynamic';

export const GET = answers(BIN.list, async () => ({ items: await listBin() }));
export const DELETE = answers(BIN.empty, emptyBin);
