export * from './ink-panel';
export { useSwatches } from './colour-memory';
