export * from './centre-lines';
export { coverageAt, inkArea, type Mask } from './mask';
export * from './order';
export * from './outlines';
export * from './retrace';
export * from './threshold';
export * from './trace-ink';
