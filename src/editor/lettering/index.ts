export * from './face-picker';
export { TextSample } from './face-sample';
export * from './lettering-client';
export { faceFor, namedLetters } from './missing-letters';
export { lineFacesOf, nearestWeight, SINGLE_LINE, useFaces } from './use-faces';
export * from './use-type-facts';
