export * from './http-error';
export * from './route';
