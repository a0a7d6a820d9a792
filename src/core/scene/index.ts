export * from './draw-list';
export * from './evaluate';
export * from './ink-on-screen';
export * from './layer-bounds';
export * from './loop-check';
export * from './poster-frame';
export { dashUnit, stopsAt } from './ink-now';
