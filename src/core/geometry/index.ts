export * from './arc-length';
export * from './bounds';
export * from './commands';
export * from './cubic';
export * from './measured-path';
export * from './nearest';
export * from './path';
export * from './point';
