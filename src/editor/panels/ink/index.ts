export * from './ink-panel';
