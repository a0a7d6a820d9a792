export * from './score';
export { fitTime } from './time-scale';
export { nextPlayMode } from './transport';
