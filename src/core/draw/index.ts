export * from './blend';
export { changedBounds } from './changed-bounds';
export * from './draw-list';
export * from './item-bounds';
export * from './plain-mattes';
export * from './soft';
export * from './solid-items';
export * from './transformed';
