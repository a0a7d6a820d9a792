// From a mask of ink to its skeleton: thinning, arms, corners, junctions, and how wide the ink is there.
export * from './arms';
export * from './corner-splits';
export * from './joins';
export * from './prune';
export * from './sharp-angles';
export * from './skeleton';
export * from './width';
