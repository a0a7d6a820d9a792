import { FILES } from '@/contract';
import { answerPicture, answers } from '@/server/http';
import { strip } from '@/server/thumbnail';

export const dynamic = 'force-dynamic';

export const GET = answers(FILES.strip, ({ params, request }) =>
  answerPicture(request, params.id, 'image/webp', strip),
);
