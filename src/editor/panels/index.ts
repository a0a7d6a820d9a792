export * from './finish';
export * from './ink';
export * from './setup-panel';
export * from './time';
export * from './trace-panel';
export * from './underlay-panel';
export * from './reveal';
export * from './place';
