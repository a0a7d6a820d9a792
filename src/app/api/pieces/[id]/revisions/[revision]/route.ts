import { revisionParams, route } from '@/server/http';
import { readRevision } from '@/server/pieces';

export const dynamic = 'force-dynamic';
export const GET = route({ params: revisionParams }, ({ params: { id, revision } }) =>
  readRevision(id, revision),
);
