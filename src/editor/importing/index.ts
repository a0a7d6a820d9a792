export * from './import-files';
export { fetchReaders } from './readers';
export * from './svg-dialog';
