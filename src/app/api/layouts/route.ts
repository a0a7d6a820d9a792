import { LAYOUTS } from '@/layouts';
import { route } from '@/server/http';

export const dynamic = 'force-dynamic';
/** The layouts that ship with Obelus. */
export const GET = route({}, async () => ({
  layouts: LAYOUTS.map(({ id, piece }) => ({ id, piece: piece() })),
}));
