export * from './ink-bounds';
export * from './paint';
