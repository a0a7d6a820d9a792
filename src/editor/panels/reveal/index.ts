export * from './reveal-panel';
