'use client';
export { EditBay } from './bay';
export { Editor } from './editor';
export { ExportList } from './export';
export { PageFrame } from './page-frame';
export { ProjectList } from './projects';
export { queries } from './queries';
