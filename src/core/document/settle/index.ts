// What follows from what: ties, cues, counts, fits and lines of groups are brought in line after every edit.
export * from './circling';
export * from './settle-betweens';
export * from './settle-counts';
export * from './settle-cues';
export * from './settle-fits';
export * from './settle-piece';
export * from './settle-ties';
export * from './settled';
