import type { z } from 'zod';
import { mapKnown } from '../../properties';

/** What a schema describes, with every id that was given another replaced by it, wherever it is named. A nested piece keeps its own. */
export const withIdsRenamed = <T>(schema: z.ZodType, value: T, names: ReadonlyMap<string, string>): T =>
  mapKnown(schema, value, ['id'], (id) => names.get(id as string) ?? id);
