import { EXPORTS } from '@/contract';
import { exportDocument } from '@/server/exports';
import { answers } from '@/server/http';

export const dynamic = 'force-dynamic';
export const GET = answers(EXPORTS.document, async ({ params }) => ({
  document: await exportDocument(params.id),
}));
