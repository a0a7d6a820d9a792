export { isDatabaseAway } from './away';
export * from './connection';
export * from './migrate';
export * from './models';
