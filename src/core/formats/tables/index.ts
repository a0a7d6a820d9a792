export * from './cue-sheet';
export * from './keys-table';
