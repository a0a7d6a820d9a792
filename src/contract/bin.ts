import { z } from 'zod';
import { endpoint, idParams } from './endpoint';

/** What is deleted stays in the bin for so many days. */
export const BIN_DAYS = 30;

const binnedSchema = z.strictObject({
  id: z.uuid(),
  kind: z.enum(['project', 'piece']),
  name: z.string(),
  /** The project of a piece; how many pieces a project holds. */
  facts: z.string(),
  deletedAt: z.iso.datetime(),
});
export type Binned = z.infer<typeof binnedSchema>;

export const BIN = {
  /** What was deleted last stands first. */
  list: endpoint('GET', '/api/bin', { answer: z.strictObject({ items: z.array(binnedSchema) }) }),
  /** Takes all of it away for good. */
  empty: endpoint('DELETE', '/api/bin'),
  /** Takes one piece or project of it away for good. */
  remove: endpoint('DELETE', '/api/bin/:id', { params: idParams }),
};
