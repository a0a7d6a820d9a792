export * from './context';
export { paint, tracePath } from './paint';
export { picturePainter, type PicturePainter, type Placement } from './picture';
