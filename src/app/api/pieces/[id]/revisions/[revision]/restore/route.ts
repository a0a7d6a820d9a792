import { revisionParams, route } from '@/server/http';
import { restoreRevision } from '@/server/pieces';

export const POST = route({ params: revisionParams }, ({ params: { id, revision } }) =>
  restoreRevision(id, revision),
);
