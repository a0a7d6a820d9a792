export { dearest, timeOf, type Cost } from './costs';
export * from './playback';
