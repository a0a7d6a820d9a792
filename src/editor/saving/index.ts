export * from './api';
export * from './autosave';
