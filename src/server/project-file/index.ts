export { openProjectFile, PROJECT_FILE_BYTES } from './open-project-file';
export { piecesOfFile } from './read-project-file';
export { savePieceFile, saveProject } from './save-project';
