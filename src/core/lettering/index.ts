export * from './features';
export * from './layout';
