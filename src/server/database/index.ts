export * from './connection';
export * from './migrate';
export * from './models';
