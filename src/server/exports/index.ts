export * from './exports';
export * from './queue';
export * from './settings';
export * from './worker';
