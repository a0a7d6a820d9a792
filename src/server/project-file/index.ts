export * from './open';
export * from './save';
