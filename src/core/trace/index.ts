export * from './centre-lines';
export { coverageAt, inkArea, type Mask } from './mask';
