export { openZip, type ZipEntries } from './read-zip';
export { UNDATED, writeZip, type ZipFile } from './write-zip';
