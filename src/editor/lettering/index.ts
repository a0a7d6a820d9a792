export * from './face-picker';
export * from './lettering-client';
