import { idParams } from '@/contract';
import { answerPicture, route } from '@/server/http';
import { thumbnail } from '@/server/thumbnail';

export const dynamic = 'force-dynamic';

export const GET = route({ params: idParams }, ({ params, request }) =>
  answerPicture(request, params.id, 'image/png', thumbnail),
);
