export * from './draw-list';
export * from './evaluate';
export * from './layer-bounds';
export * from './poster-frame';
export { dashUnit, stopsAt } from './ink-now';
