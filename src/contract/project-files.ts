import { z } from 'zod';
import { endpoint, idParams } from './endpoint';

const answer = z.strictObject({ id: z.uuid(), pieces: z.number() });

/** Opens a project file; its body is the bytes of the file. */
export const PROJECT_FILES = {
  /** As a project of its own. */
  open: endpoint('POST', '/api/projects/open', { answer }),
  /** Its pieces and its shelf, in a project that is there. */
  openInto: endpoint('POST', '/api/projects/:id/file', { params: idParams, answer }),
};
