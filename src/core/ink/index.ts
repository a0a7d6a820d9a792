export * from './dot';
export * from './window';
