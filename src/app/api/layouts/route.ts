import { LAYOUT_LIST } from '@/contract';
import { LAYOUTS } from '@/layouts';
import { answers } from '@/server/http';

export const dynamic = 'force-dynamic';
/** The layouts that ship with Obelus. */
export const GET = answers(LAYOUT_LIST, async () => ({
  layouts: LAYOUTS.map(({ id, piece }) => ({ id, piece: piece() })),
}));
