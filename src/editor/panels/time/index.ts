export * from './time-panel';
