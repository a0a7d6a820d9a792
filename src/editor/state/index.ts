export * from './actions';
export * from './editor-store';
