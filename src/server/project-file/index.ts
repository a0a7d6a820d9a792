export * from './open';
export { piecesOfFile, PROJECT_FILE_BYTES } from './read';
export * from './save';
