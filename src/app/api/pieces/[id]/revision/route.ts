import { idParams, route } from '@/server/http';
import { pieceRevision } from '@/server/pieces';

export const dynamic = 'force-dynamic';
export const GET = route({ params: idParams }, ({ params }) => pieceRevision(params.id));
