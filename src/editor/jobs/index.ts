export * from './job';
export * from './page-scope';
export * from './worker-line';
