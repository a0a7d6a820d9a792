export * from './snap';
export * from './snap-box';
