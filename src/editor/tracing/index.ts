export * from './trace-client';
export * from './trace-state';
