export { apartNames, exportArchive } from './archive';
export * from './exports';
export * from './queue';
