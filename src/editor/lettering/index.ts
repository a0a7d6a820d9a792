export * from './face-picker';
export { TextSample } from './face-sample';
export * from './lettering-client';
export * from './use-faces';
export * from './use-type-facts';
