export * from './keys-dialog';
export * from './shortcuts';
