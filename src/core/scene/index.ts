export * from './draw-list';
export * from './evaluate';
