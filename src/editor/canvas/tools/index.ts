export * from './freehand-tool';
export * from './hand-tool';
export * from './order-tool';
export * from './pen-tool';
export * from './select-tool';
export * from './shape-tool';
export * from './text-tool';
export * from './tool';
