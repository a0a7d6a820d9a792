export * from './score';
export { fitTime } from './time-scale';
