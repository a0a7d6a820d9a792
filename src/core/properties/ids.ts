import { z } from 'zod';
import { FACTS, type IdFacts } from './facts';

const ID = z.string().regex(/^[A-Za-z0-9_-]{1,40}$/, 'must be 1 to 40 letters, digits, - or _');

/** What layers, underlays and styles are known by within a piece. */
export const idSchema = ID.clone().register(FACTS, { kind: 'id' });

/** The schema of an id that people choose: the name of what is chosen, and what may be. */
export const reference = (name: string, of: NonNullable<IdFacts['of']>) =>
  ID.clone().register(FACTS, { kind: 'id', name, of });
