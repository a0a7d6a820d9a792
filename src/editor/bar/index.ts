export * from './piece-bar';
export * from './save-state';
export * from './step-rail';
export * from './tool-strip';
