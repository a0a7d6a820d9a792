export * from './recordings';
export * from './replay';
