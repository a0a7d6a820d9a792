export * from './place-panel';
