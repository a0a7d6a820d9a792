export * from './blend';
export * from './draw-list';
export * from './item-bounds';
export * from './solid-items';
export * from './transformed';
