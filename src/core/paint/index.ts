export * from './context';
export { paint, tracePath } from './paint';
export { picturePainter, pieceBox, type PicturePainter, type Placement } from './picture';
