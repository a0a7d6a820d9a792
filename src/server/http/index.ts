export * from './http-error';
export * from './route';
export * from './download';
export * from './opened-file';
export * from './piece-picture';
export { refusedAddress } from './refused-address';
export { readLargeJson } from './read-json';
export { withBytes, type Upload } from './upload';
