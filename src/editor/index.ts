export * from './editor';
export * from './projects';
export * from './queries';
