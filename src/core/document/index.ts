export * from './create';
export * from './edits';
export * from './read';
export * from './schema';
