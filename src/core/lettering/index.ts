export * from './along';
export * from './features';
export * from './layout';
