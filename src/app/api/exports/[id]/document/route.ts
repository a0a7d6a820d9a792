import { EXPORTS } from '@/contract';
import { exportDocument } from '@/server/exports';
import { answers, answerText } from '@/server/http';

export const dynamic = 'force-dynamic';
export const GET = answers(EXPORTS.document, async ({ params }) =>
  answerText(`{"document":${await exportDocument(params.id)}}`),
);
