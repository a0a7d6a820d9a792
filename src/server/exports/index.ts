export * from './exports';
export * from './queue';
export * from './settings';
