export * from './hand-tool';
export * from './pen-tool';
export * from './select-tool';
export * from './tool';
