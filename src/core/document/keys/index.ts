// What bears keys, and the frames that its keys span.
export * from './key-bearers';
export * from './on-span';
export * from './spans';
