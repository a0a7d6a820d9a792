export * from './endpoint';
export * from './exports';
export * from './lettering';
export * from './pictures';
export * from './pieces';
export * from './projects';
