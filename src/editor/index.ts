'use client';
export { EditBay } from './bay';
export { Editor } from './editor';
export { ExportList } from './export';
export { ProjectList } from './projects';
export { queries } from './queries';
