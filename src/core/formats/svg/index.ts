export * from './read-svg';
export * from './strokes-from-shapes';
export { SvgError } from './fault';
