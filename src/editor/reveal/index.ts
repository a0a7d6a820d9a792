export * from './cover-client';
export * from './cover-state';
export { fitStrokes } from './fit-strokes';
export * from './write-itself';
