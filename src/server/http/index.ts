export * from './http-error';
export * from './route';
export * from './download';
export * from './piece-picture';
