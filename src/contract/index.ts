export * from './endpoint';
export * from './export-formats';
export * from './exports';
export * from './lettering';
export * from './pictures';
export * from './pieces';
export * from './projects';
export * from './receivers';
