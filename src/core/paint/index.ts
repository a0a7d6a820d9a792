export * from './context';
export { paint, tracePath } from './paint';
export { picturePainter, pieceBox, type Placement } from './picture';
