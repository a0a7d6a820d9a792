export * from './context';
export * from './ink-bounds';
export * from './paint';
