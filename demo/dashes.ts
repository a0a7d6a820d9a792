import type { Dashes } from '../src/core/ink';

/** Dashes in widths of the stroke that stay put, with what differs. */
export const dashes = (pattern: readonly number[], part: Partial<Dashes> = {}): Dashes => ({
  pattern,
  unit: 'widths',
  phase: 0,
  flow: 'stay',
  speed: { value: 60, unit: 'px', seamless: true },
  fit: false,
  corners: false,
  grow: 0,
  ...part,
});
