export * from './create';
export * from './edits';
export * from './ink-schema';
export * from './read';
export * from './schema';
export * from './tied';
export * from './ties-schema';
