export { FinishPanel } from './finish-panel';
