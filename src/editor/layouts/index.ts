export * from './layout-client';
export { LayoutPicture } from './layout-picture';
