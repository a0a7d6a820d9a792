export * from './import-files';
export * from './svg-dialog';
