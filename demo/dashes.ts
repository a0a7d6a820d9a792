import { NEW_DASHES, type Dashes } from '../src/core/ink';

/** Dashes in widths of the stroke that stay put, with what differs. */
export const dashes = (pattern: readonly number[], part: Partial<Dashes> = {}): Dashes => ({
  ...NEW_DASHES,
  pattern,
  ...part,
});
