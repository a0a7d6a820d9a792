export * from './canvas-stage';
export { finishDrawing, removeLastDrawn } from './tools';
export * from './view';
export { ground } from './ground';
