// From a skeleton to centre-lines: smooth, joined, and ended where the ink ends.
export * from './centre-lines';
export * from './finish-line';
export * from './lines';
export * from './settle-lines';
export * from './written-lines';
