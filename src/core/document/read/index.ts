// What comes in and goes out: untrusted documents checked and migrated, hashes, and the difference between two documents.
export * from './hash-of';
export * from './patch-of';
export * from './piece-news';
export * from './read-piece';
export * from './renamed-ids';
