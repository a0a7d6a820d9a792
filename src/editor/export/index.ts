export * from './export-dialog';
