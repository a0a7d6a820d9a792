import { FILES } from '@/contract';
import { answerPicture, answers } from '@/server/http';
import { thumbnail } from '@/server/thumbnail';

export const dynamic = 'force-dynamic';

export const GET = answers(FILES.thumbnail, ({ params, request }) =>
  answerPicture(request, params.id, 'image/png', thumbnail),
);
