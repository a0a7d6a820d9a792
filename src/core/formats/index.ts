export * from './svg';
export * from './svg-writer';
