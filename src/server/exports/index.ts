export * from './exports';
export * from './queue';
