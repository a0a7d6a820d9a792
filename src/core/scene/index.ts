export * from './draw-list';
export * from './evaluate';
export * from './poster-frame';
