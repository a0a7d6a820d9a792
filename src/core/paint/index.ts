export * from './context';
export { paint, tracePath } from './paint';
export { steadyPainter } from './steady';
