import { idParams, route } from '@/server/http';
import { duplicatePiece } from '@/server/pieces';

export const POST = route({ params: idParams }, ({ params }) => duplicatePiece(params.id));
