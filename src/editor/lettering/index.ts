export * from './face-picker';
export * from './lettering-client';
export * from './use-faces';
