export { ExportDialog } from './export-dialog';
export { sizeInWords } from './expected-size';
export { ExportList } from './export-list';
