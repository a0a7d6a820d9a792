import { idParams, route } from '@/server/http';
import { undeletePiece } from '@/server/pieces';

export const POST = route({ params: idParams }, ({ params }) => undeletePiece(params.id));
