export * from './editor';
export * from './projects/project-list';
