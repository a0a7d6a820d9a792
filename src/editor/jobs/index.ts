export * from './job';
export * from './page-scope';
export * from './say-when-slow';
export * from './title-mark';
export * from './worker-line';
