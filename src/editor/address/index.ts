export { STEP_IDS } from './address';
export * from './watch-address';
